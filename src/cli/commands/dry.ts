import { dryAnswerOf } from '~/schema/exchange/dry/dryAnswer';
import { dryInput } from '~/schema/exchange/dry/dryRequest';
import { parseInput } from '~/schema/values/faults';
import { print, readInput } from '../input';

/** When a wet board is dry. */
export const run = ([target]: readonly string[]): void =>
  print(dryAnswerOf(parseInput(dryInput, readInput(target))));
