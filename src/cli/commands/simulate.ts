import { writeFileSync } from 'node:fs';
import { simulate } from '~/schema/exchange/simulate/simulate';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';
import { InputError, parseInput } from '~/schema/values/faults';
import { print, readInput } from '../input';

/** What happens if; with `--csv FILE` the histories as a table too. */
export async function run(args: readonly string[]): Promise<void> {
  const at = args.indexOf('--csv');
  const file = at < 0 ? null : args[at + 1];
  if (file === undefined) {
    throw new InputError([
      { path: '$--csv', message: 'has no file; give the file to write the histories to' },
    ]);
  }
  const [target, ...more] = at < 0 ? args : args.toSpliced(at, 2);
  if (more.length > 0) {
    throw new InputError([{ path: '$', message: `has "${more[0]}" too many; give one file or -` }]);
  }
  const answer = simulate(parseInput(simulateInput, readInput(target)));
  if (file !== null) {
    const names = Object.keys(answer.histories);
    const rows = answer.histories['time_s']!.map((_, i) => names.map((name) => answer.histories[name]![i]!));
    const { default: Papa } = await import('papaparse');
    writeFileSync(file, `${Papa.unparse({ fields: names, data: rows }, { newline: '\n' })}\n`);
  }
  print(answer);
}
