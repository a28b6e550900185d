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

/** First time a rising curve reaches a level, or null. */
export function firstReached_s(time_s: Float64Array, values: Float64Array, level: number): number | null {
  for (let i = 0; i < time_s.length; i++) {
    if (values[i]! >= level) {
      if (i === 0) return time_s[0]!;
      const share = (level - values[i - 1]!) / (values[i]! - values[i - 1]!);
      return time_s[i - 1]! + share * (time_s[i]! - time_s[i - 1]!);
    }
  }
  return null;
}
