import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { normalCdf } from '~/core/statistics/normal';
import { TIP_CONTACT } from '~/core/materials/tips';
import type { JobHeats } from './heatSeen';
import { asWornNow, driftOf, type Drift } from './drift';
import { LASTING, type Normal } from './lasting';

/** What a tip was learnt to be. */
interface TipLesson {
  readonly contact: Normal;
  readonly tipOffset: Normal;
}

/** So many of the latest jobs are fitted at once; older ones tell of a tip that was. */
export const LATEST_JOBS = 60;

/** Beyond what its property may be at all nothing is learnt, in standard deviations of what lasts. */
const bound = (ratio: number): number =>
  Math.log(ratio) / (TIP_CONTACT.wettedResistivity.uncertainty * Math.sqrt(LASTING.contact));
const [least, most] = TIP_CONTACT.wettedResistivity.range;
const BOUNDS = {
  contact: [
    bound(least / TIP_CONTACT.wettedResistivity.value),
    bound(most / TIP_CONTACT.wettedResistivity.value),
  ],
  /** Three standard deviations of a calibrated station (assumed). */
  tipOffset: [-3, 3],
  copper: [-3, 3],
  job: [-6, 6],
} as const;

/** Student's t with so many degrees of freedom: a key pressed by mistake condemns no tip (assumed). */
const DEGREES = 6;

const FIT = {
  damping: 1e-2,
  gradientDifference: 1e-4,
  centralDifference: true,
  maxIterations: 40,
  errorTolerance: 1e-9,
} as const;

/**
 * Fits all tips and boards in some jobs' heatings together, each held to what is published by its own spread, with every
 * job free to differ (Levenberg and Marquardt; intervals by Laplace from the normal equations at the end). A heating that
 * was not seen to melt counts as slower than it was held. Answers are in standard deviations of what lasts.
 */
export function fitLessons(jobs: readonly JobHeats[]): {
  readonly tips: ReadonlyMap<string, TipLesson>;
  readonly boards: ReadonlyMap<string, Normal>;
} {
  const tips = [...new Set(jobs.map((j) => j.tip))];
  const boards = [...new Set(jobs.map((j) => j.board))];
  const ofBoard = 2 * tips.length;
  const ofJob = ofBoard + boards.length;
  const count = ofJob + jobs.length;
  const rows = jobs.flatMap((job, j) => {
    const [t, b] = [2 * tips.indexOf(job.tip), ofBoard + boards.indexOf(job.board)];
    return job.heats.map((heat) => ({ heat, t, b, j: ofJob + j }));
  });
  if (rows.length === 0) return { tips: new Map(), boards: new Map() };

  const residual = (p: readonly number[], i: number): number => {
    if (i >= rows.length) return p[i - rows.length]!;
    const { heat, t, b, j } = rows[i]!;
    const expected =
      heat.level +
      heat.by.contact * p[t]! +
      heat.by.tipOffset * p[t + 1]! +
      heat.by.copper * p[b]! +
      heat.ofJob * p[j]!;
    const off = (heat.pace - expected) / heat.own;
    return heat.molten ? doubted(off) : Math.sqrt(-2 * Math.log(Math.max(1e-300, normalCdf(off))));
  };
  const places = Array.from({ length: rows.length + count }, (_, i) => i);
  const bounds = Array.from({ length: count }, (_, k) =>
    k >= ofJob ? BOUNDS.job : k >= ofBoard ? BOUNDS.copper : k % 2 === 0 ? BOUNDS.contact : BOUNDS.tipOffset,
  );
  const { parameterValues } = levenbergMarquardt(
    { x: places, y: places.map(() => 0) },
    (p: number[]) => (i: number) => residual(p, i),
    {
      ...FIT,
      initialValues: bounds.map(() => 0),
      minValues: bounds.map(([low]) => low),
      maxValues: bounds.map(([, high]) => high),
    },
  );
  const spreads = spreadsAt(residual, parameterValues, places.length);
  const normal = (k: number): Normal => ({ mean: parameterValues[k]!, spread: Math.min(1, spreads[k]!) });
  return {
    tips: new Map(tips.map((tip, t) => [tip, { contact: normal(2 * t), tipOffset: normal(2 * t + 1) }])),
    boards: new Map(boards.map((board, b) => [board, normal(ofBoard + b)])),
  };
}

/** A residual far out counts by its logarithm. */
const doubted = (off: number): number =>
  Math.sign(off) * Math.sqrt((DEGREES + 1) * Math.log1p(off ** 2 / DEGREES));

/** Standard deviations of the parameters: the inverse of the normal equations, the priors among their rows. */
function spreadsAt(
  residual: (p: readonly number[], i: number) => number,
  at: readonly number[],
  rows: number,
): number[] {
  const h = FIT.gradientDifference;
  const columns = at.map((_, k) => {
    const up = at.map((v, d) => (d === k ? v + h : v));
    const down = at.map((v, d) => (d === k ? v - h : v));
    return Array.from({ length: rows }, (__, i) => (residual(up, i) - residual(down, i)) / (2 * h));
  });
  const jacobian = new Matrix(columns);
  const covariance = inverse(jacobian.mmul(jacobian.transpose()));
  return at.map((_, k) => Math.sqrt(Math.max(0, covariance.get(k, k))));
}

/** A tip as it is now, and since when it wears if it does. */
export interface TipLessonNow extends TipLesson {
  readonly drift: Drift | null;
}

/** What the heatings of one tip tell of it: as it is now, where it wears. Null without any. */
export function tipLesson(tip: string, jobs: readonly JobHeats[]): TipLessonNow | null {
  const drift = driftOf(jobs);
  const fitted = fitLessons(drift ? asWornNow(jobs, drift) : jobs).tips.get(tip);
  return fitted ? { ...fitted, drift } : null;
}

/** What the heatings on one board tell of its copper. */
export const boardLesson = (board: string, jobs: readonly JobHeats[]): Normal | null =>
  fitLessons(jobs).boards.get(board) ?? null;
