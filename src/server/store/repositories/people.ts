import { and, asc, count, eq, sql } from 'drizzle-orm';
import {
  personRecord,
  type NewPerson,
  type PersonChange,
  type PersonRecord,
} from '~/schema/records/people/person';
import { people, sessions } from '~/schema/records/people/person.table';
import type { Db } from '../db';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

const shown = {
  id: people.id,
  initials: people.initials,
  name: people.name,
  role: people.role,
  left: people.left,
  revision: people.revision,
};

/** People would read them as one: mk is MK. */
const sameInitials = (initials: string) => sql`lower(${people.initials}) = ${initials.toLowerCase()}`;

/** Everyone who ever worked here, by initials. */
export const listPeople = (db: Db): PersonRecord[] =>
  db
    .select(shown)
    .from(people)
    .orderBy(asc(people.initials))
    .all()
    .map((row) => personRecord.parse(row));

/** Whoever signs in with these initials, and what opens the door for them; null where nobody does. */
export function personAtDoor(db: Db, initials: string): { person: PersonRecord; hash: string } | null {
  const row = db
    .select({ ...shown, hash: people.passphraseHash })
    .from(people)
    .where(and(sameInitials(initials), eq(people.left, false)))
    .get();
  if (!row) return null;
  const { hash, ...person } = row;
  return { person: personRecord.parse(person), hash };
}

/** Whether somebody is there who may let others in. */
export const hasLead = (db: Db): boolean => leads(db) > 0;

const leads = (db: Db): number =>
  db
    .select({ n: count() })
    .from(people)
    .where(and(eq(people.role, 'lead'), eq(people.left, false)))
    .get()!.n;

export function addPerson(
  db: Db,
  { initials, name, role }: Omit<NewPerson, 'passphrase'>,
  passphraseHash: string,
): PersonRecord {
  return db.transaction(() => {
    if (db.select({ id: people.id }).from(people).where(sameInitials(initials)).get())
      throw new Conflict(`somebody signs with ${initials} already; take other initials`);
    const record: PersonRecord = { id: newId('person'), initials, name, role, left: false, revision: 1 };
    db.insert(people)
      .values({ ...record, passphraseHash })
      .run();
    return record;
  });
}

/**
 * Changes a person if nobody else has meanwhile. Whoever leaves, gets another role or another passphrase is signed out
 * everywhere. The last lead stays one: nobody could let anybody in again.
 */
export function changePerson(
  db: Db,
  id: string,
  { revision, name, role, left }: Omit<PersonChange, 'passphrase'>,
  passphraseHash: string | null,
): PersonRecord {
  return db.transaction(() => {
    const now = db.select(shown).from(people).where(eq(people.id, id)).get();
    if (!now) throw new NotFound('person', id);
    if (now.revision !== revision)
      throw new Conflict('another screen has changed this person; this one now shows how it stands', {
        now: personRecord.parse(now),
      });
    if (now.role === 'lead' && !now.left && (left || role !== 'lead') && leads(db) === 1)
      throw new Conflict(`${now.initials} is the only lead; make somebody else a lead first`);
    db.update(people)
      .set({
        name,
        role,
        left,
        revision: revision + 1,
        ...(passphraseHash === null ? {} : { passphraseHash }),
      })
      .where(eq(people.id, id))
      .run();
    if (left || role !== now.role || passphraseHash !== null)
      db.delete(sessions).where(eq(sessions.personId, id)).run();
    return personRecord.parse({ ...now, name, role, left, revision: revision + 1 });
  });
}

/** One's own passphrase; every other place where one is signed in is signed out. */
export function setPassphrase(db: Db, id: string, passphraseHash: string): void {
  db.transaction(() => {
    db.update(people).set({ passphraseHash }).where(eq(people.id, id)).run();
    db.delete(sessions).where(eq(sessions.personId, id)).run();
  });
}
