import { existsSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { InputError } from '~/schema/values/faults';
import { openDatabase, type Db } from '~/server/store/db';

/** The database that the command line is meant to work on. */
export function openRecord(): Db {
  const file = resolve(process.env['ITHERMON_DB'] ?? 'data/ithermon.db');
  if (!existsSync(dirname(file)))
    throw new InputError([
      {
        path: '$ITHERMON_DB',
        message: `${file} lies in no folder; give the database that ./start --db names`,
      },
    ]);
  process.umask(0o077);
  return openDatabase(file, resolve(dirname(fileURLToPath(import.meta.url)), '../migrations'));
}
