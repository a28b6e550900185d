import { createInterface } from 'node:readline/promises';
import { Writable } from 'node:stream';
import { ROLES } from '~/core/record/roles';
import { newPerson, type PersonRecord } from '~/schema/records/people/person';
import { InputError, parseInput } from '~/schema/values/faults';
import { hashOf } from '~/server/people/passphrase';
import { closeDatabase, type Db } from '~/server/store/db';
import { addPerson, changePerson, listPeople } from '~/server/store/repositories/people';
import { openRecord } from '../openRecord';
import { print } from '../input';

/** Those who sign in: the first lead is added here, before a server is reached by others; later ones in the application. */
export async function run([act, ...args]: readonly string[]): Promise<void> {
  const doing = ACTS[act ?? ''];
  if (!doing)
    throw new InputError([
      {
        path: '$act',
        message: `is ${act === undefined ? 'missing' : `"${act}"`}; give add, list or passphrase`,
      },
    ]);
  const db = openRecord();
  try {
    print(await doing(db, args));
  } finally {
    closeDatabase(db);
  }
}

const ACTS: Readonly<Record<string, (db: Db, args: readonly string[]) => unknown>> = {
  list: (db) => listPeople(db),
  add: async (db, [initials, name, role = 'technician', ...more]) => {
    noMore(more);
    const { passphrase, ...person } = parseInput(newPerson, {
      initials,
      name,
      role,
      passphrase: await passphraseTyped(`Passphrase for ${initials ?? 'them'}: `),
    });
    if (listPeople(db).some((one) => one.initials === person.initials))
      throw new InputError([
        { path: '$initials', message: `${person.initials} is there already; give other initials` },
      ]);
    return addPerson(db, person, await hashOf(passphrase));
  },
  passphrase: async (db, [initials, ...more]) => {
    noMore(more);
    const person = listPeople(db).find((one) => one.initials === initials);
    if (!person)
      throw new InputError([
        {
          path: '$initials',
          message: `${initials ?? 'nobody'} is not in the list; ./ithermon people list shows it`,
        },
      ]);
    return withPassphrase(db, person, await passphraseTyped(`New passphrase for ${person.initials}: `));
  },
};

async function withPassphrase(db: Db, person: PersonRecord, typed: string): Promise<PersonRecord> {
  const { passphrase } = parseInput(newPerson.pick({ passphrase: true }), { passphrase: typed });
  const { name, role, left, revision } = person;
  return changePerson(db, person.id, { name, role, left, revision }, await hashOf(passphrase));
}

function noMore([stray]: readonly string[]): void {
  if (stray !== undefined)
    throw new InputError([
      { path: '$args', message: `go on with "${stray}"; give INITIALS "NAME" and ${ROLES.join(', ')}` },
    ]);
}

/** A line from whoever types it unseen, or from a pipe. */
async function passphraseTyped(prompt: string): Promise<string> {
  const seen = process.stdin.isTTY;
  if (seen) process.stderr.write(prompt);
  const unseen = new Writable({ write: (_chunk, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, output: unseen, terminal: seen });
  try {
    for await (const line of lines) return line;
    return '';
  } finally {
    lines.close();
    if (seen) process.stderr.write('\n');
  }
}
