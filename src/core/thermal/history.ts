import { doseRate_1_s, type Life } from './dose';

/** Cumulative dose at each time of a run. */
export function doseCurve(life: Life, time_s: Float64Array, temperature_K: Float64Array): Float64Array {
  const curve = new Float64Array(time_s.length);
  let rate = doseRate_1_s(life, temperature_K[0]!);
  for (let i = 1; i < time_s.length; i++) {
    const next = doseRate_1_s(life, temperature_K[i]!);
    curve[i] = curve[i - 1]! + 0.5 * (rate + next) * (time_s[i]! - time_s[i - 1]!);
    rate = next;
  }
  return curve;
}

/** Where a time lies in a history: between a row and the one before it, by the share of the way. */
export interface TimePlace {
  readonly row: number;
  readonly share: number;
}

/** The place of a time among those of a history of two rows at least, held at its ends. */
export function placeOf(time_s: Float64Array, at_s: number): TimePlace {
  const last = time_s.length - 1;
  if (at_s >= time_s[last]!) return { row: last, share: 1 };
  // The first sample at or past the time, by halving.
  let [low, high] = [0, last];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (time_s[middle]! < at_s) low = middle;
    else high = middle;
  }
  const span = time_s[high]! - time_s[high - 1]!;
  return { row: high, share: Math.max(0, (at_s - time_s[high - 1]!) / span) };
}

/** A curve's value at one time by linear interpolation, held at its ends. */
export function valueAt(time_s: Float64Array, values: Float64Array, at_s: number): number {
  if (at_s >= time_s[time_s.length - 1]!) return values[values.length - 1]!;
  const { row, share } = placeOf(time_s, at_s);
  return values[row - 1]! + share * (values[row]! - values[row - 1]!);
}

/** First time a rising curve reaches a level, s, and by which row; null if it never does. `at` reads it row by row. */
export function firstReached(
  time_s: Float64Array,
  at: (row: number) => number,
  level: number,
): { readonly at_s: number; readonly row: number } | null {
  let before = -Infinity;
  for (let row = 0; row < time_s.length; row++) {
    const now = at(row);
    if (now >= level) {
      if (row === 0) return { at_s: time_s[0]!, row };
      const share = (level - before) / (now - before);
      return { at_s: time_s[row - 1]! + share * (time_s[row]! - time_s[row - 1]!), row };
    }
    before = now;
  }
  return null;
}

/** The same of values that stand in a row, the time alone. */
export const firstReached_s = (time_s: Float64Array, values: Float64Array, level: number): number | null =>
  firstReached(time_s, (row) => values[row]!, level)?.at_s ?? null;
