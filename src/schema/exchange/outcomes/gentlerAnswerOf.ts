import type { GentlerHalf } from '~/core/method/plan/gentler';
import { optionAnswerOf } from '~/schema/exchange/plan/optionAnswerOf';
import type { GentlerAnswer } from './gentler';

/** A half of a job held against its gentlest, in bench units. */
export const gentlerAnswerOf = (
  method: string,
  { done, gentlest, longer_min }: GentlerHalf,
): GentlerAnswer => ({
  done: optionAnswerOf(method, done),
  gentlest: gentlest && optionAnswerOf(method, gentlest),
  longer_min,
});
