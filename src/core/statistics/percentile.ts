/**
 * The value below which a share of the sorted numbers lies, by linear interpolation between order
 * statistics (Hyndman and Fan, type 7). Infinite entries sort last and are returned as they are.
 */
export function percentile(sorted: ArrayLike<number>, share: number): number {
  const place = share * (sorted.length - 1);
  const below = Math.floor(place);
  const low = sorted[below]!;
  const high = sorted[Math.min(below + 1, sorted.length - 1)]!;
  return low === high || place === below ? low : low + (place - below) * (high - low);
}

/** 10, 50 and 90 % of a figure over draws; infinite where that share never got there. */
export interface Spread {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

export function spreadOf(values: readonly number[]): Spread {
  const sorted = [...values].sort((a, b) => a - b);
  return { p10: percentile(sorted, 0.1), p50: percentile(sorted, 0.5), p90: percentile(sorted, 0.9) };
}
