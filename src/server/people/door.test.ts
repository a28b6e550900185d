import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Role } from '~/core/record/roles';
import type { NewPerson, PersonRecord } from '~/schema/records/people/person';
import { addPerson, changePerson, hasLead, listPeople } from '~/server/store/repositories/people';
import type { Db } from '~/server/store/db';
import { freshDatabase } from '../../../tests/support/database';
import { Door } from './door';
import { hashOf, opens } from './passphrase';
import { endAllSessions, endSession, openSession, personOf } from '~/server/store/repositories/sessions';
import { leadFor, SIGNATURE_HEADER, signatureOf } from './signatures';
import { acceptanceSigned, overrideSigned } from './signing';

const HOUR_ms = 3_600_000;
const WORDS = 'four bare wires';
let db: Db;
let hash = '';

beforeEach(async () => {
  db = freshDatabase();
  hash ||= await hashOf(WORDS);
});

const put = (initials: string, role: Role = 'technician'): PersonRecord =>
  addPerson(
    db,
    { initials, name: `${initials} of the bench`, role } satisfies Omit<NewPerson, 'passphrase'>,
    hash,
  );

describe('a passphrase', () => {
  it('is kept as Argon2id at the costs of the OWASP Password Storage Cheat Sheet, salted', async () => {
    expect(hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(await hashOf(WORDS)).not.toBe(hash);
    expect(await opens(WORDS, hash)).toBe(true);
    expect(await opens(`${WORDS} `, hash)).toBe(false);
    expect(await opens('nobody has this passphrase', null)).toBe(false);
  });
});

describe('the door', () => {
  it('lets in whoever knows the passphrase, and tells nobody whether a name or a passphrase was wrong', async () => {
    put('MK');
    const door = new Door(db);
    expect((await door.admit({ initials: 'MK', passphrase: WORDS }, 'here')).initials).toBe('MK');
    expect((await door.admit({ initials: 'mk', passphrase: WORDS }, 'here')).initials).toBe('MK');
    expect(() => put('mk')).toThrow(/already/);
    const told = await Promise.allSettled([
      door.admit({ initials: 'MK', passphrase: 'wrong one' }, 'here'),
      door.admit({ initials: 'ZZ', passphrase: WORDS }, 'here'),
    ]);
    const words = told.map((one) => (one.status === 'rejected' ? (one.reason as Error).message : 'in'));
    expect(new Set(words).size).toBe(1);
    expect(words[0]).toContain('do not open');
  });

  it('stays shut for one who was guessed at five times, the right passphrase too, and opens again after a quarter', async () => {
    vi.useFakeTimers({ toFake: ['Date', 'setTimeout', 'clearTimeout'] });
    try {
      put('MK');
      put('AO');
      const door = new Door(db);
      const guess = (from: string) => door.admit({ initials: 'MK', passphrase: 'a wild guess' }, from);
      for (let i = 0; i < 5; i++)
        await expect(guess(`address ${i}`)).rejects.toMatchObject({ kind: 'signed-out' });
      await expect(guess('another')).rejects.toMatchObject({ kind: 'too-many' });
      await expect(door.admit({ initials: 'mk', passphrase: WORDS }, 'x')).rejects.toMatchObject({
        kind: 'too-many',
        message: expect.stringMatching(/wait 15 min/) as string,
      });
      expect((await door.admit({ initials: 'AO', passphrase: WORDS }, 'x')).initials).toBe('AO');
      vi.advanceTimersByTime(15.1 * 60_000);
      expect((await door.admit({ initials: 'MK', passphrase: WORDS }, 'x')).initials).toBe('MK');
    } finally {
      vi.useRealTimers();
    }
  });

  it('stays shut for an address that guesses at many', async () => {
    const door = new Door(db);
    for (let i = 0; i < 20; i++)
      await expect(
        door.admit({ initials: `A${i}`, passphrase: 'a wild guess' }, 'one address'),
      ).rejects.toMatchObject({ kind: 'signed-out' });
    await expect(
      door.admit({ initials: 'LAST', passphrase: 'a wild guess' }, 'one address'),
    ).rejects.toMatchObject({ kind: 'too-many' });
  }, 30_000);
});

describe('a session', () => {
  it('is known by what the browser holds, which the database does not', () => {
    const { id } = put('MK');
    const token = openSession(db, id, 0);
    expect(personOf(db, token, 1)).toMatchObject({ initials: 'MK', role: 'technician' });
    expect(personOf(db, `${token}x`, 1)).toBeNull();
    expect(JSON.stringify(db.$client.prepare('SELECT * FROM sessions').all())).not.toContain(token);
  });

  it('ends by signing out here, or everywhere', () => {
    const { id } = put('MK');
    const [here, there, elsewhere] = [openSession(db, id, 0), openSession(db, id, 0), openSession(db, id, 0)];
    endSession(db, here);
    expect([here, there].map((token) => personOf(db, token, 1)?.initials)).toEqual([undefined, 'MK']);
    endAllSessions(db, id);
    expect([there, elsewhere].map((token) => personOf(db, token, 1))).toEqual([null, null]);
  });

  it('runs out twelve hours after it was last used, and after thirty days whatever was done', () => {
    const { id } = put('MK');
    const left = openSession(db, id, 0);
    expect(personOf(db, left, 12.1 * HOUR_ms)).toBeNull();
    const used = openSession(db, id, 0);
    let now_ms = 0;
    while (now_ms < 30 * 24 * HOUR_ms) {
      expect(personOf(db, used, now_ms)).not.toBeNull();
      now_ms += 10 * HOUR_ms;
    }
    expect(personOf(db, used, now_ms + 1)).toBeNull();
  });

  it('ends for whoever leaves, gets another role or another passphrase', () => {
    put('HL', 'lead');
    for (const change of [
      { left: true, role: 'technician', hash: null },
      { left: false, role: 'viewer', hash: null },
      { left: false, role: 'technician', hash: 'another' },
    ] as const) {
      const person = put(`P${listPeople(db).length}`);
      const token = openSession(db, person.id, 0);
      changePerson(db, person.id, { ...change, name: person.name, revision: 1 }, change.hash);
      expect(personOf(db, token, 1)).toBeNull();
    }
  });
});

describe('the list of people', () => {
  it('keeps its last lead, has each name once, and lets no screen overwrite another', () => {
    const lead = put('HL', 'lead');
    expect(hasLead(db)).toBe(true);
    const change = { name: 'H', role: 'viewer', left: false, revision: 1 } as const;
    expect(() => changePerson(db, lead.id, change, null)).toThrow(/only lead/);
    expect(() => changePerson(db, lead.id, { ...change, role: 'lead', left: true }, null)).toThrow(
      /only lead/,
    );
    expect(() => put('HL')).toThrow(/signs with HL already/);
    put('MK', 'lead');
    expect(changePerson(db, lead.id, change, null)).toMatchObject({ role: 'viewer', revision: 2 });
    expect(() => changePerson(db, lead.id, change, null)).toThrow(/another screen/);
  });
});

describe('a lead’s signature', () => {
  const technician = { id: 'p1', initials: 'MK', name: 'M', role: 'technician' } as const;
  const lead = { ...technician, initials: 'HL', role: 'lead' } as const;
  const asking = (signature?: string): Request =>
    new Request(
      'http://bench/',
      signature === undefined ? {} : { headers: { [SIGNATURE_HEADER]: signature } },
    );

  it('is asked of a technician, is good once, and is not needed where nobody signs in', () => {
    expect(leadFor(null, asking())).toBeNull();
    expect(leadFor(lead, asking())).toBe('HL');
    expect(() => leadFor(technician, asking())).toThrow(/a lead signs this/);
    expect(() => leadFor(technician, asking('made up'))).toThrow(/a lead signs this/);
    const signature = signatureOf(lead);
    expect(leadFor(technician, asking(signature))).toBe('HL');
    expect(() => leadFor(technician, asking(signature))).toThrow(/a lead signs this/);
  });

  it('stands on hold points passed against and on acceptance alone, and never because a body says so', () => {
    const refusing = (): never => {
      throw new Error('asked');
    };
    const event = { kind: 'step-done', stepId: 's' } as const;
    const request = { clientId: 'c', afterSeq: 1, by: 'MK', event };
    expect(overrideSigned(request, refusing)).toBe(request);
    const passed = { kind: 'override', reason: 'cold room', signedBy: 'ME' } as const;
    const against = { ...request, event: { ...event, passed } };
    expect(() => overrideSigned(against, refusing)).toThrow('asked');
    expect(overrideSigned(against, () => 'HL').event).toMatchObject({ passed: { signedBy: 'HL' } });
    expect(overrideSigned(against, () => null).event).toMatchObject({ passed: { reason: 'cold room' } });
    expect(JSON.stringify(overrideSigned(against, () => null))).not.toContain('signedBy');

    const entry = (body: Parameters<typeof acceptanceSigned>[0]['body']) => ({
      clientId: 'c',
      by: 'MK',
      body,
    });
    const settled = { kind: 'settled', item: 'i', says: 's', reason: 'r', signedBy: 'ME' } as const;
    expect(JSON.stringify(acceptanceSigned(entry({ ...settled, as: 'deferred' }), refusing))).not.toContain(
      'ME',
    );
    expect(() => acceptanceSigned(entry({ ...settled, as: 'accepted' }), refusing)).toThrow('asked');
    const back = entry({ kind: 'handed-back', outcome: 'fixed', cause: '', signedBy: 'ME' });
    expect(acceptanceSigned(back, () => 'HL').body).toMatchObject({ signedBy: 'HL' });
    expect(() => acceptanceSigned(back, refusing)).toThrow('asked');
    expect(acceptanceSigned(entry({ kind: 'resumed' }), refusing).body).toEqual({ kind: 'resumed' });
  });
});
