import { inOneGo } from '~/core/stepwise';
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import Papa from 'papaparse';
import { plan } from '~/core/method/plan/plan';
import { InputError, parseInput } from '~/schema/values/faults';
import { planAnswerOf } from '~/schema/exchange/plan/planAnswerOf';
import { planInput } from '~/schema/exchange/plan/planRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';
import { simulate } from '~/schema/exchange/simulate/simulate';
import { closeDatabase, openDatabase } from '~/server/store/db';
import { HELP, helpOf, isCommand } from './help';

const LARGEST_INPUT_bytes = 4 * 1024 * 1024;

async function main(args: readonly string[]): Promise<number> {
  const [command, target] = args;
  if (isCommand(command) && args.slice(1).some((arg) => arg === '--help' || arg === '-h')) {
    process.stdout.write(`${helpOf(command)}\n`);
    return 0;
  }
  switch (command) {
    case 'simulate':
      return simulateCommand(args.slice(1));
    case 'plan': {
      const request = planRequestOf(parseInput(planInput, readInput(target)));
      print(planAnswerOf(inOneGo(plan(request))));
      return 0;
    }
    case 'backup':
      print(await backup(target));
      return 0;
    case '--help':
    case '-h':
    case 'help':
      process.stdout.write(`${HELP}\n`);
      return 0;
    default:
      throw new InputError([
        {
          path: '$command',
          message: `is ${command === undefined ? 'missing' : `"${command}"`}; give simulate, plan or backup (--help tells more)`,
        },
      ]);
  }
}

function simulateCommand(args: readonly string[]): number {
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
    writeFileSync(file, `${Papa.unparse({ fields: names, data: rows }, { newline: '\n' })}\n`);
  }
  print(answer);
  return 0;
}

function readInput(target: string | undefined): unknown {
  let text: string;
  try {
    text = readFileSync(target === undefined || target === '-' ? 0 : target, 'utf8');
  } catch (error) {
    throw new InputError([
      {
        path: '$',
        message: `cannot be read: ${(error as Error).message}; give a file or - for standard input`,
      },
    ]);
  }
  if (text.length > LARGEST_INPUT_bytes)
    throw new InputError([{ path: '$', message: 'is larger than 4 MiB; send one request at a time' }]);
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new InputError([
      {
        path: '$',
        message: `is not valid JSON (${(error as Error).message}); check brackets, commas and quotes`,
      },
    ]);
  }
}

async function backup(target: string | undefined): Promise<unknown> {
  if (!target)
    throw new InputError([{ path: '$file', message: 'is missing; give the file to write the copy to' }]);
  const here = dirname(fileURLToPath(import.meta.url));
  const file = resolve(process.env['ITHERMON_DB'] ?? 'data/ithermon.db');
  const db = openDatabase(file, resolve(here, 'migrations'));
  const { totalPages } = await db.$client.backup(resolve(target));
  closeDatabase(db);
  return { file: target, pages: totalPages };
}

const print = (value: unknown): void => void process.stdout.write(`${JSON.stringify(value)}\n`);

main(process.argv.slice(2)).then(
  (code) => {
    process.exitCode = code;
  },
  (error: unknown) => {
    if (error instanceof InputError) {
      for (const fault of error.faults) process.stderr.write(`${fault.path} ${fault.message}\n`);
      process.exitCode = 2;
      return;
    }
    process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
    process.exitCode = 1;
  },
);
