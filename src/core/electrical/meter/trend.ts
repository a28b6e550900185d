import { leastSquares } from '~/core/learning/leastSquares';

const DAY_ms = 86_400_000;
const YEAR_days = 365.25;

/** A figure read at one time, as its share of what is printed or of its first reading. */
export interface ReadAt {
  readonly at_ms: number;
  readonly share: number;
}

export interface Trend {
  readonly readings: number;
  readonly days: number;
  readonly first: number;
  readonly last: number;
  /** By the line through all of them; null over less than a month, where a meter's own scatter would be told as years. */
  readonly perYear: number | null;
}

/** A month: readings of one visit are one reading. */
const LEAST_days = 28;

/** How a figure went over the visits of a part; null for a single reading. */
export function trendOf(readings: readonly ReadAt[]): Trend | null {
  const inOrder = [...readings].sort((a, b) => a.at_ms - b.at_ms);
  const [first, last] = [inOrder[0], inOrder.at(-1)];
  if (!first || !last || inOrder.length < 2) return null;
  const days = (last.at_ms - first.at_ms) / DAY_ms;
  const slope =
    days < LEAST_days
      ? null
      : leastSquares(
          inOrder.map(({ at_ms }) => [1, (at_ms - first.at_ms) / DAY_ms / YEAR_days]),
          inOrder.map(({ share }) => share),
        )[1]!;
  return { readings: inOrder.length, days, first: first.share, last: last.share, perYear: slope };
}
