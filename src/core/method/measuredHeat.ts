import { valueAt } from '~/core/thermal/history';

/** What a thermocouple on the heated land read, from heat on. Plain data; times rise. */
export interface MeasuredLand {
  readonly time_s: readonly number[];
  readonly land_K: readonly number[];
}

/** A reading that is missing for longer than this at the start, in the middle or at the end tells too little of a heating. */
const LONGEST_GAP_s = 1;

/**
 * What reads less than half, or more than half again, of the rise that the model gives sits elsewhere: in the air, on the
 * tip, on the neighbour. Contacts and coppers of benches differ by less (bench factors, core/learning).
 */
const BELIEVED = { least: 0.5, most: 1.5 } as const;

/** Below this rise of the model's own nothing is told by a ratio, K. */
const LEAST_RISE_K = 5;

/** Curves of a heating by the model. */
export interface LandCurves {
  readonly time_s: Float64Array;
  readonly land_K: Float64Array;
  readonly laminate_K: Float64Array;
}

/**
 * A heating with its land as it was measured: the land's curve is the thermocouple's, and what lies under it is the model's
 * with its rise taken in the same share. Null where the readings have gaps, or are not of that land. The bead's own lag is
 * not put right: it is not known.
 * @param source_K what heats it; no land comes to be hotter
 */
export function asMeasured(run: LandCurves, measured: MeasuredLand, source_K: number): LandCurves | null {
  const share = shareMeasured(run.time_s, run.land_K, measured, source_K);
  if (!share) return null;
  const [land0_K, laminate0_K] = [run.land_K[0]!, run.laminate_K[0]!];
  return {
    time_s: run.time_s,
    land_K: run.land_K.map((t, i) => land0_K + (t - land0_K) * share[i]!),
    laminate_K: run.laminate_K.map((t, i) => laminate0_K + (t - laminate0_K) * share[i]!),
  };
}

/**
 * The measured rise of a land over the model's, at the model's times; null where the readings are not to be believed.
 * @param from_s when the heat came on, in the model's time
 */
export function shareMeasured(
  time_s: Float64Array,
  land_K: Float64Array,
  measured: MeasuredLand,
  source_K: number,
  from_s = 0,
): Float64Array | null {
  const end_s = time_s.at(-1)! - from_s;
  const within = measured.time_s.filter((t) => t >= 0 && t <= end_s);
  const edges = [0, ...within, end_s];
  if (edges.some((t, i) => i > 0 && t - edges[i - 1]! > LONGEST_GAP_s)) return null;
  const at_s = Float64Array.from(measured.time_s);
  const read_K = Float64Array.from(measured.land_K);
  const start_K = land_K[0]!;
  const highest_K = Math.max(...within.map((t) => valueAt(at_s, read_K, t)));
  const rise = (highest_K - start_K) / (Math.max(...land_K) - start_K);
  if (!(rise >= BELIEVED.least && rise <= BELIEVED.most && highest_K < source_K)) return null;
  return time_s.map((t, i) => {
    const model_K = land_K[i]! - start_K;
    if (t < from_s || model_K < LEAST_RISE_K) return 1;
    return Math.max(0, (valueAt(at_s, read_K, t - from_s) - start_K) / model_K);
  });
}
