import { resolve } from 'node:path';
import { InputError } from '~/schema/values/faults';
import { closeDatabase, openDatabase } from '~/server/store/db';
import { print } from '../input';

/** A copy of the database while it is in use. */
export async function run([target]: readonly string[], migrations: string): Promise<void> {
  if (!target)
    throw new InputError([{ path: '$file', message: 'is missing; give the file to write the copy to' }]);
  const file = resolve(process.env['ITHERMON_DB'] ?? 'data/ithermon.db');
  const db = openDatabase(file, migrations);
  const { totalPages } = await db.$client.backup(resolve(target));
  closeDatabase(db);
  print({ file: target, pages: totalPages });
}
