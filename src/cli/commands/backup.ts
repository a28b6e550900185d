import { resolve } from 'node:path';
import { InputError } from '~/schema/values/faults';
import { backUp } from '~/server/store/backup';
import { print } from '../input';

/** A copy of the database while it is in use, and what it holds. */
export function run(args: readonly string[]): void {
  const force = args.includes('--force');
  const [target, ...more] = args.filter((arg) => arg !== '--force');
  if (!target)
    throw new InputError([{ path: '$file', message: 'is missing; give the file to write the copy to' }]);
  const [stray] = [target, ...more].filter((arg, i) => i > 0 || arg.startsWith('-'));
  if (stray !== undefined)
    throw new InputError([
      { path: '$file', message: `is followed by "${stray}"; give one file, and --force` },
    ]);
  const source = resolve(process.env['ITHERMON_DB'] ?? 'data/ithermon.db');
  print({ file: target, ...backUp(source, resolve(target), { force }) });
}
