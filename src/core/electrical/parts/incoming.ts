import { samplingPlan, type SamplingPlan } from '~/core/statistics/acceptance';
import type { Part, PartSource } from './part';

/** How bad a lot must not get through, by where it is from (assumed: a workshop's own choice). */
const BAD: Readonly<Record<PartSource, number>> = { new: 0.2, pulled: 0.1, donor: 0.1, unknown: 0.05 };
const GOOD = 0.01;
const CONSUMERS_RISK = 0.1;

/** How many of a lot are read, by its size and by how far its source is trusted. */
export const incomingPlan = (
  lot: number,
  source: PartSource = 'new',
): SamplingPlan & { readonly bad: number } => ({
  bad: BAD[source],
  ...samplingPlan({ lot: Math.max(1, lot), good: GOOD, bad: BAD[source], consumersRisk: CONSUMERS_RISK }),
});

/** What was read of one of a lot, as its share of what is printed; null where no value was read. */
export interface IncomingReading {
  readonly verdict: 'good' | 'doubtful' | 'dead' | 'nothing-to-judge';
  readonly ofPrinted: number | null;
}

export interface IncomingStands {
  readonly read: number;
  readonly bad: number;
  /** What the readings so far come to: more are wanted, or it is released or rejected. */
  readonly says: 'read-more' | 'release' | 'reject';
  /** Why it looks as if something else was printed on them than they are. */
  readonly remarked: readonly string[];
}

/** Readings that lie so close together are of one kind of part. */
const ALIKE = 0.1;
/** Further off than this no tolerance is meant. */
const FAR_OFF = 0.3;
const LEAST_ALIKE = 3;

/**
 * Why a part looks as if it were another than it is said to be, by what is seen on it (common practice: tinned pins, a face that
 * was sanded, a date that cannot be).
 */
export function suspicionsOf(
  { looks, source = 'new', madeIn }: Pick<Part, 'looks' | 'source' | 'madeIn'>,
  {
    year,
    boardYear,
  }: { readonly year?: number | undefined; readonly boardYear?: number | null | undefined } = {},
): string[] {
  const soldAsNew = source === 'new' || source === 'unknown';
  return [
    ...(looks === 'pins-tinned' && soldAsNew
      ? ['its pins are tinned: it was soldered before and is sold as new']
      : []),
    ...(looks === 'printed-anew'
      ? ['its face was sanded or printed over: what it says is not what it was']
      : []),
    ...(madeIn !== undefined && year !== undefined && madeIn > year
      ? [`its date code says ${madeIn}, which is still to come`]
      : []),
    ...(madeIn !== undefined && boardYear != null && madeIn > boardYear
      ? [
          `its date code says ${madeIn}, and the board was made in ${boardYear}: it is not the first that stood there`,
        ]
      : []),
  ];
}

/** Where an incoming test stands by its readings. */
export function incomingStands(plan: SamplingPlan, readings: readonly IncomingReading[]): IncomingStands {
  const judged = readings.filter(({ verdict }) => verdict !== 'nothing-to-judge');
  const bad = judged.filter(({ verdict }) => verdict === 'dead').length;
  const says = bad > plan.accept ? 'reject' : judged.length >= plan.n ? 'release' : 'read-more';
  return { read: judged.length, bad, says, remarked: remarkedBy(judged) };
}

function remarkedBy(readings: readonly IncomingReading[]): string[] {
  const shares = readings.flatMap(({ ofPrinted }) =>
    ofPrinted === null || !Number.isFinite(ofPrinted) ? [] : [ofPrinted],
  );
  if (shares.length < LEAST_ALIKE) return [];
  const mean = shares.reduce((a, b) => a + b, 0) / shares.length;
  const spread = Math.max(...shares) / Math.min(...shares) - 1;
  return Math.abs(mean - 1) > FAR_OFF && spread <= ALIKE
    ? [
        `all ${shares.length} read ${mean.toFixed(2)} of what is printed, close together: a good part of another value was marked anew`,
      ]
    : [];
}
