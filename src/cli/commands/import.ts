import { readFileSync } from 'node:fs';
import { InputError } from '~/schema/values/faults';
import { imported } from '~/server/bundle/imported';
import { countUncounted } from '~/server/outcomes/keep';
import { closeDatabase } from '~/server/store/db';
import { UnusableFile } from '~/server/store/fileCheck';
import { lockForServer } from '~/server/store/serverLock';
import { flagsIn } from '../flags';
import { openRecord } from '../openRecord';
import { print } from '../input';

/** A bundle into the record, all of it or nothing. */
export async function run(args: readonly string[]): Promise<void> {
  const { rest, values, switches } = flagsIn(args, { values: ['--keep'], switches: ['--look'] });
  const [source, ...more] = rest;
  if (!source || more.length > 0)
    throw new InputError([{ path: '$file', message: 'is missing or not alone; give one bundle' }]);
  const keep = values.get('--keep') ?? null;
  if (keep !== null && keep !== 'mine' && keep !== 'theirs')
    throw new InputError([{ path: '$--keep', message: `is "${keep}"; give mine or theirs` }]);
  const archive = bytesOf(source);
  const db = openRecord();
  const unlock = lockForServer(db.$client.name);
  try {
    // What a server remembers of boards would not hear of it.
    if (!unlock)
      throw new UnusableFile(
        'a server has this database; bring the bundle in on its Record page, or stop it first',
      );
    const made = imported(db, archive, { keep, dryRun: switches.has('--look') });
    if (made.outcome === 'conflicts')
      throw new InputError([
        ...made.conflicts.map(({ table, row, differs, kept }) => ({
          path: `$.${table}`,
          message: `${row} says something else here: ${differs.join(', ')}${kept ? ' (what happened stays as it is here)' : ''}`,
        })),
        {
          path: '$--keep',
          message: `is missing: ${made.conflictCount} rows differ and nothing was written; give --keep mine or --keep theirs`,
        },
      ]);
    if (made.outcome === 'written') await countUncounted(db);
    print(made);
  } finally {
    unlock?.();
    closeDatabase(db);
  }
}

function bytesOf(source: string): Uint8Array {
  try {
    return readFileSync(source);
  } catch (error) {
    throw new InputError([
      { path: '$file', message: `cannot be read: ${(error as Error).message}; give a bundle` },
    ]);
  }
}
