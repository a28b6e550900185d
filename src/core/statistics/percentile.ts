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
