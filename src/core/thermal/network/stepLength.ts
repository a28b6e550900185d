import { SOLVER } from './settings';

/* How long steps are: the first one and its doubles, so that lengths met again stay alike. */

/** What is left of a step that was so many times too far off: of second order, it is halved as often as its error asks for. */
export function shrink(over: number): number {
  let by = 0.5;
  for (let left = over; left > 4 && by > 1 / 64; left /= 4) by *= 0.5;
  return by;
}

/** By how much a step grows whose error is so large a share of its tolerance: far below it is doubled twice. */
export const growth = (share: number): number => (share < 1 / 24 ? 4 : share < 1 / 3 ? 2 : 1);

/** Of the lengths that steps take, doubles of the first, the nearest; beyond the longest none is. */
export function lengthNear_s(aim_s: number, longest_s: number): number {
  if (!(aim_s < longest_s)) return Infinity;
  let length_s = Math.min(SOLVER.firstStep_s, longest_s);
  while (length_s * Math.SQRT2 < aim_s) length_s *= 2;
  return length_s;
}
