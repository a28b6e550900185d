/** Bow that boards may have, as a share of the span: IPC-A-600 / IPC-6012, from memory. */
export const BOW_LIMIT = { surfaceMount: 0.0075, other: 0.015 } as const;

/**
 * Bow of a free strip from its temperature difference through the thickness, as a share of its span:
 * curvature α ΔT / t along the strip, integrated twice, less the chord (Timoshenko & Woinowsky-Krieger §14,
 * free plate under a linear gradient). `difference_K` for each of the stretches of `sizes_m` that make the span.
 */
export function bowOfGradient(
  difference_K: ArrayLike<number>,
  sizes_m: ArrayLike<number>,
  thickness_m: number,
  expansion_1_K: number,
): number {
  const along_m: number[] = [0];
  const heights_m: number[] = [0];
  let slope = 0;
  for (let i = 0; i < sizes_m.length; i++) {
    const size_m = sizes_m[i]!;
    slope += (expansion_1_K * difference_K[i]! * size_m) / thickness_m;
    along_m.push(along_m[i]! + size_m);
    heights_m.push(heights_m[i]! + slope * size_m);
  }
  const span_m = along_m.at(-1)!;
  const end_m = heights_m.at(-1)!;
  let worst_m = 0;
  heights_m.forEach((h, i) => (worst_m = Math.max(worst_m, Math.abs(h - (end_m * along_m[i]!) / span_m))));
  return worst_m / span_m;
}

/**
 * Bow that a hot zone leaves when it stiffens hotter than the board about it: held from shrinking, it
 * pulls the board out of plane once the mismatch passes what a plate carries flat.
 * Strain along the span: half of α ΔT (a disc in an elastic sheet, Timoshenko & Goodier §150) over the
 * zone's share of it; critical strain 1.6 (t/L)² (simply supported square plate, Timoshenko & Gere);
 * a half sine wave of that shortening has W/L = (2/π)√ε. An estimate, good to a factor of about two.
 */
export function bowOfMismatch(
  mismatch_K: number,
  zone_m2: number,
  span_m: number,
  thickness_m: number,
  expansion_1_K: number,
): number {
  const across_m = Math.min(span_m, 2 * Math.sqrt(zone_m2 / Math.PI));
  const strain = 0.5 * expansion_1_K * Math.max(0, mismatch_K) * (across_m / span_m);
  const critical = 1.6 * (thickness_m / span_m) ** 2;
  return (2 / Math.PI) * Math.sqrt(Math.max(0, strain - critical));
}
