import { deviations, UNSURE, type Known, type Unsure } from '~/core/thermal/joint/draws';
import { leastSquares } from './leastSquares';
import { LOGARITHM, QUICKNESS, RARELY_NEVER, type Scale } from './scale';

/** What the draws of one touch came to, draw by draw; infinite where it never melted, or met no limit. */
export interface TouchDraws {
  /** Touches that are alike share their draws. */
  readonly touches: readonly string[];
  readonly melts_s: readonly number[];
  readonly limits_s: readonly number[];
  readonly longest_s: number;
}

/** The draws behind the bands of one phase: the same draw of every touch is the same bench. */
export interface PhaseDraws {
  readonly seed: number;
  readonly draws: number;
  readonly touches: readonly TouchDraws[];
  /** What was known of the bench as they were drawn. */
  readonly known?: Known | undefined;
}

/**
 * How much of each uncertainty is one and the same at every touch of a job, as a share of its variance; the rest is each
 * touch's own. A station's tip and a board's laminate do not change from pin to pin; how the tip is seated, how much
 * solder goes with it and how much copper is drawn about a pin do (assumed; the learning's coverage is held by a test).
 */
export const SHARED: Readonly<Record<Unsure, number>> = {
  contact: 0.5,
  copper: 0.5,
  laminate: 1,
  plating: 1,
  freshArea: 0.3,
  film: 1,
  tipOffset: 1,
  padLife: 1,
  laminateLife: 1,
  wetting: 0.3,
};

/** With fewer draws that melt than this share a touch teaches nothing: it is not known what a melt would mean. */
const LEAST_MELT = 0.6;

/** A touch as learning sees it: what each bench would make of it, and how far one touch is from the next on the same bench. */
export interface TouchWorlds {
  readonly scale: Scale;
  /** How soon it melts on that scale, at what the touches of a job have in common. */
  readonly pace: Float64Array;
  /** Standard deviation of that from touch to touch. */
  readonly own: number;
  /** Slopes of it by what is shared, for a standard deviation of the whole. */
  readonly slopes: readonly number[];
}

/** A touch's melt as a line over the deviations it was drawn with. */
export interface Line {
  readonly scale: Scale;
  readonly pace: readonly number[];
  /** Its pace where nothing deviates. */
  readonly level: number;
  /** By so much for each deviation's standard normal, in the order of `UNSURE`. */
  readonly slopes: readonly number[];
}

/**
 * The melt, on a scale on which it is nearly so, taken as linear in the deviations by least squares over the draws.
 * Null where too few melt to know what a melt would mean.
 */
export function lineOf(z: readonly (readonly number[])[], melts_s: readonly number[]): Line | null {
  const melting = melts_s.flatMap((melt_s, i) => (Number.isFinite(melt_s) ? [i] : []));
  const share = melting.length / melts_s.length;
  if (melting.length < 2 * UNSURE.length || share < LEAST_MELT) return null;
  const scale = share < 1 - RARELY_NEVER ? QUICKNESS : LOGARITHM;
  const pace = melts_s.map((melt_s) => scale.paceOf(melt_s));
  const fitted = scale === LOGARITHM ? melting : melts_s.map((_, i) => i);
  const [level, ...slopes] = leastSquares(
    fitted.map((i) => [1, ...z[i]!]),
    fitted.map((i) => pace[i]!),
  );
  return { scale, pace, level: level!, slopes };
}

/** How much of each deviation the touches of a job share: less of one that is known well. */
const sharedOf = (known: Known | undefined): readonly number[] =>
  UNSURE.map((name) => Math.max(0, 1 - (1 - SHARED[name]) / (known?.[name]?.scale ?? 1) ** 2));

/**
 * Splits a touch's draws into what a bench has in common and what is one touch's own; what the line leaves stays with
 * its draw.
 */
export function worldsOf(
  z: readonly (readonly number[])[],
  melts_s: readonly number[],
  known?: Known,
): TouchWorlds | null {
  const line = lineOf(z, melts_s);
  if (!line) return null;
  const { scale, pace, slopes } = line;
  const shares = sharedOf(known);
  return {
    scale,
    own: Math.sqrt(slopes.reduce((sum, slope, d) => sum + slope ** 2 * (1 - shares[d]!), 0)),
    pace: Float64Array.from(pace, (own, i) =>
      slopes.reduce((left, slope, d) => left - slope * (1 - Math.sqrt(shares[d]!)) * z[i]![d]!, own),
    ),
    slopes: slopes.map((slope, d) => slope * Math.sqrt(shares[d]!)),
  };
}

/** Deviations of a phase's draws, draw by draw: they follow from its seed. */
export const deviationsOf = ({ draws, seed }: Pick<PhaseDraws, 'draws' | 'seed'>): number[][] =>
  deviations(draws, seed).map((z) => UNSURE.map((name) => z[name]));
