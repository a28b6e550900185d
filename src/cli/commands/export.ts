import { existsSync, renameSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { InputError } from '~/schema/values/faults';
import { exported } from '~/server/bundle/exported';
import { closeDatabase } from '~/server/store/db';
import { openRecord } from '../openRecord';
import { print } from '../input';
import { flagsIn } from '../flags';

/** The whole record of the shop, or of one board, as a bundle. */
export function run(args: readonly string[]): void {
  const { rest, values, switches } = flagsIn(args, { values: ['--board'], switches: ['--force'] });
  const [target, ...more] = rest;
  if (!target || more.length > 0)
    throw new InputError([
      { path: '$file', message: 'is missing or not alone; give one file to write the bundle to' },
    ]);
  const file = resolve(target);
  if (existsSync(file) && !switches.has('--force'))
    throw new InputError([
      { path: '$file', message: `${target} is there already; give another name, or --force to replace it` },
    ]);
  const db = openRecord();
  try {
    const bundle = exported(db, values.get('--board') ?? null);
    // Under another name first: what is cut off half way is no bundle.
    writeFileSync(`${file}.part`, bundle);
    renameSync(`${file}.part`, file);
    print({ file: target, bytes: bundle.length });
  } finally {
    closeDatabase(db);
  }
}
