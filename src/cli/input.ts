import { readFileSync } from 'node:fs';
import { InputError } from '~/schema/values/faults';

const LARGEST_INPUT_bytes = 4 * 1024 * 1024;

/** The JSON document in a file, or on standard input for `-` or nothing. */
export function readInput(target: string | undefined): unknown {
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

export const print = (value: unknown): void => void process.stdout.write(`${JSON.stringify(value)}\n`);
