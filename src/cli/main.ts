import { InputError } from '~/schema/values/faults';
import { HELP, helpOf, isCommand } from './help';

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
    case 'dry':
      (await import('./commands/dry')).run(args.slice(1));
      return 0;
    case 'swap':
    case 'judge':
    case 'combine':
    case 'discharge':
    case 'jumper':
      (await import('./commands/partQuestions')).run(command, args.slice(1));
      return 0;
    case 'backup':
      (await import('./commands/backup')).run(args.slice(1));
      return 0;
    case 'export':
      (await import('./commands/export')).run(args.slice(1));
      return 0;
    case 'import':
      await (await import('./commands/import')).run(args.slice(1));
      return 0;
    case 'people':
      await (await import('./commands/people')).run(args.slice(1));
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
          message: `is ${command === undefined ? 'missing' : `"${command}"`}; give simulate, plan, dry, swap, judge, combine, discharge, jumper, export, import, backup or people (--help tells more)`,
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
    // Told by its name: the class is in another part of the program, loaded with its command.
    if (error instanceof Error && error.name === 'UnusableFile') {
      process.stderr.write(`ithermon: ${error.message}\n`);
      process.exitCode = 1;
      return;
    }
    process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
    process.exitCode = 1;
  },
);
