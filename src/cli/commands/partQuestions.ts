import type { z } from 'zod';
import {
  combineAnswerOf,
  combineInput,
  dischargeAnswerOf,
  dischargeInput,
  judgeAnswerOf,
  judgeInput,
  jumperAnswerOf,
  jumperInput,
  swapAnswerOf,
  swapInput,
} from '~/schema/exchange/parts/questions';
import { parseInput } from '~/schema/values/faults';
import { print, readInput } from '../input';

const asked =
  <Input>(schema: z.ZodType<Input>, answerOf: (input: Input) => unknown) =>
  (given: unknown): unknown =>
    answerOf(parseInput(schema, given));

/** The small questions about parts, each a command of its own. */
const QUESTIONS = {
  swap: asked(swapInput, swapAnswerOf),
  judge: asked(judgeInput, judgeAnswerOf),
  combine: asked(combineInput, combineAnswerOf),
  discharge: asked(dischargeInput, dischargeAnswerOf),
  jumper: asked(jumperInput, jumperAnswerOf),
} as const;

export const run = (question: keyof typeof QUESTIONS, [target]: readonly string[]): void =>
  print(QUESTIONS[question](readInput(target)));
