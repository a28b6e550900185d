/** Cells along one side of a board: their edges from 0 to its length, and what follows from them, m. */
export interface Axis {
  readonly count: number;
  readonly edges_m: Float64Array;
  readonly middles_m: Float64Array;
  readonly sizes_m: Float64Array;
  /** Each cell's share of the length. */
  readonly shares: Float64Array;
}

/** The two sides of a board's rectangle. */
export interface Axes {
  readonly x: Axis;
  readonly y: Axis;
}

/** A stretch of an axis that is cut as finely as asked. */
export interface Stretch {
  readonly from_m: number;
  readonly to_m: number;
}

/** How cells widen away from what is cut finely: by so much of the way to it, to a coarsest. */
export interface Grading {
  readonly finest_m: number;
  readonly widening: number;
  readonly coarsest_m: number;
}

export function evenAxis(length_m: number, pitch_m: number): Axis {
  const count = Math.max(2, Math.round(length_m / pitch_m));
  return axisOf(Float64Array.from({ length: count + 1 }, (_, i) => (length_m * i) / count));
}

/** Points to a finest cell that the wanted size is summed over. */
const POINTS = 8;

/**
 * Cells as large as wanted at their place: the finest within the stretches, wider with the way to the nearest of them. A whole
 * number of cells has to fill the length, so all are made smaller by the same small share.
 */
export function gradedAxis(
  length_m: number,
  stretches: readonly Stretch[],
  { finest_m, widening, coarsest_m }: Grading,
): Axis {
  const wanted_m = (at_m: number): number => {
    const away_m = stretches.reduce(
      (least, { from_m, to_m }) => Math.min(least, Math.max(0, from_m - at_m, at_m - to_m)),
      Infinity,
    );
    return Math.min(coarsest_m, finest_m + widening * away_m);
  };
  const points = Math.ceil((POINTS * length_m) / finest_m);
  const step_m = length_m / points;
  const cells = new Float64Array(points + 1);
  for (let p = 0; p < points; p++) cells[p + 1] = cells[p]! + step_m / wanted_m((p + 0.5) * step_m);
  const count = Math.max(2, Math.ceil(cells[points]! - 1e-9));
  const edges_m = new Float64Array(count + 1);
  for (let i = 1, p = 0; i < count; i++) {
    const asked = (i / count) * cells[points]!;
    while (cells[p + 1]! < asked) p++;
    edges_m[i] = step_m * (p + (asked - cells[p]!) / (cells[p + 1]! - cells[p]!));
  }
  edges_m[count] = length_m;
  return axisOf(edges_m);
}

function axisOf(edges_m: Float64Array): Axis {
  const count = edges_m.length - 1;
  const length_m = edges_m[count]!;
  const cell = (of: (from_m: number, to_m: number) => number): Float64Array =>
    Float64Array.from({ length: count }, (_, i) => of(edges_m[i]!, edges_m[i + 1]!));
  return {
    count,
    edges_m,
    middles_m: cell((from_m, to_m) => (from_m + to_m) / 2),
    sizes_m: cell((from_m, to_m) => to_m - from_m),
    shares: cell((from_m, to_m) => (to_m - from_m) / length_m),
  };
}

/** Cell that holds a place; places beyond the ends take the nearest. */
export function cellAt({ edges_m, count }: Axis, at_m: number): number {
  let [low, high] = [0, count - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (edges_m[middle]! <= at_m) low = middle;
    else high = middle - 1;
  }
  return low;
}
