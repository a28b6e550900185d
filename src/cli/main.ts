import { fileURLToPath } from 'node:url';
import { InputError } from '~/schema/values/faults';
import { HELP, helpOf, isCommand } from './help';

/** Beside the program that runs, not beside the part of it that a command lies in. */
const MIGRATIONS = fileURLToPath(new URL('migrations', import.meta.url));

/** Each command loads what it needs and no more: half of a small question was loading the others. */
async function main(args: readonly string[]): Promise<number> {
  const [command] = args;
  if (isCommand(command) && args.slice(1).some((arg) => arg === '--help' || arg === '-h')) {
    process.stdout.write(`${helpOf(command)}\n`);
    return 0;
  }
  switch (command) {
    case 'simulate':
      await (await import('./commands/simulate')).run(args.slice(1));
      return 0;
    case 'plan':
      (await import('./commands/plan')).run(args.slice(1));
      return 0;
    case 'backup':
      await (await import('./commands/backup')).run(args.slice(1), MIGRATIONS);
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
