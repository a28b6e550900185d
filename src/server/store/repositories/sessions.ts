import { createHash, randomBytes } from 'node:crypto';
import { and, eq, lt, or } from 'drizzle-orm';
import type { Role } from '~/core/record/roles';
import type { PersonRecord } from '~/schema/records/people/person';
import { people, sessions } from '~/schema/records/people/person.table';
import type { Db } from '../db';

/** Whoever a request is from. */
export type SignedIn = Pick<PersonRecord, 'id' | 'initials' | 'name'> & { readonly role: Role };

const HOUR_ms = 3_600_000;
/** A bench left for the night asks again in the morning. */
const IDLE_ms = 12 * HOUR_ms;
export const LONGEST_ms = 30 * 24 * HOUR_ms;
/** Noted no more often than this: reading pages must not write. */
const NOTED_ms = HOUR_ms / 12;

/** 256 bits, which nobody guesses; the digest is what is kept. */
const digestOf = (token: string): string => createHash('sha256').update(token).digest('base64url');

/** Signs a person in at one browser, and gives what that browser holds. */
export function openSession(db: Db, personId: string, now_ms: number): string {
  const token = randomBytes(32).toString('base64url');
  db.transaction(() => {
    db.delete(sessions).where(outlived(now_ms)).run();
    db.insert(sessions)
      .values({ digest: digestOf(token), personId, openedAt_ms: now_ms, seenAt_ms: now_ms })
      .run();
  });
  return token;
}

/** Who holds this; null for nobody, for what has run out, and for whoever works here no more. */
export function personOf(db: Db, token: string, now_ms: number): SignedIn | null {
  const digest = digestOf(token);
  const row = db
    .select({
      id: people.id,
      initials: people.initials,
      name: people.name,
      role: people.role,
      openedAt_ms: sessions.openedAt_ms,
      seenAt_ms: sessions.seenAt_ms,
    })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(and(eq(sessions.digest, digest), eq(people.left, false)))
    .get();
  if (!row) return null;
  const { openedAt_ms, seenAt_ms, ...person } = row;
  if (now_ms - openedAt_ms > LONGEST_ms || now_ms - seenAt_ms > IDLE_ms) return null;
  if (now_ms - seenAt_ms > NOTED_ms)
    db.update(sessions).set({ seenAt_ms: now_ms }).where(eq(sessions.digest, digest)).run();
  return person;
}

export const endSession = (db: Db, token: string): void =>
  void db
    .delete(sessions)
    .where(eq(sessions.digest, digestOf(token)))
    .run();

/** Signs a person out wherever they are. */
export const endAllSessions = (db: Db, personId: string): void =>
  void db.delete(sessions).where(eq(sessions.personId, personId)).run();

const outlived = (now_ms: number) =>
  or(lt(sessions.openedAt_ms, now_ms - LONGEST_ms), lt(sessions.seenAt_ms, now_ms - IDLE_ms));
