import { percentile } from '~/core/statistics/percentile';
import { effective, wilson, type Rate } from '~/core/statistics/rates';
import { grouped, type DimensionId } from './dimensions';
import type { JobFacts, MeltSeen, TouchesHeld } from './jobFacts';

/** So much of what is seen ought to lie in a band from a tenth to nine tenths. */
export const BAND_SHARE = 0.8;

/** How well foretold times held for one group of jobs. */
export interface GroupHeld {
  readonly key: string;
  readonly jobs: number;
  /** Touches that were foretold and told of. */
  readonly touches: number;
  /** Seen over expected, the middle one: 1.3 melts a third later than said. Null: too few melted. */
  readonly bias: number | null;
  /** Half the middle 80 % of seen over expected, in ratio: 1.5 means from a third under to half over. */
  readonly spread: number | null;
  /** Share of touches within their band. */
  readonly coverage: Rate;
  readonly early: number;
  readonly late: number;
}

/** Where a touch lies beside its band; null where it cannot be told: held shorter than the band and not molten. */
export function besideBand({ p10_s, p90_s, seen_s, molten }: MeltSeen): 'early' | 'within' | 'late' | null {
  if (!molten) {
    // It was held past the band and was not molten: later than nine in ten. Given up within the band tells nothing.
    return p90_s !== null && seen_s > p90_s ? 'late' : null;
  }
  if (p10_s !== null && seen_s < p10_s) return 'early';
  return p90_s !== null && seen_s > p90_s ? 'late' : 'within';
}

export const heldBy = (facts: readonly JobFacts[], dimension: DimensionId): GroupHeld[] =>
  grouped(facts, dimension)
    .map(({ key, facts: own }) => ({ key, ...heldOf(own) }))
    .filter(({ touches }) => touches > 0);

/** The touches of a job in counts: what statistics keep of them. */
export function touchesHeld(melts: readonly MeltSeen[]): TouchesHeld {
  const tally = { early: 0, within: 0, late: 0 };
  const ratios: number[] = [];
  for (const melt of melts) {
    const where = besideBand(melt);
    if (where === null) continue;
    tally[where]++;
    if (melt.molten && melt.p50_s !== null && melt.p50_s > 0) ratios.push(melt.seen_s / melt.p50_s);
  }
  return { ...tally, ratios };
}

export function heldOf(facts: readonly JobFacts[]): Omit<GroupHeld, 'key'> {
  const ratios = Float64Array.from(facts.flatMap((f) => f.touches.ratios)).sort();
  const jobs = facts
    .map(({ touches: { early, within, late } }) => ({ bad: within, of: early + within + late }))
    .filter(({ of }) => of > 0);
  const sum = (of: 'early' | 'late'): number => facts.reduce((all, f) => all + f.touches[of], 0);
  return {
    jobs: jobs.length,
    touches: jobs.reduce((all, { of }) => all + of, 0),
    bias: ratios.length >= LEAST_RATIOS ? percentile(ratios, 0.5) : null,
    spread: ratios.length >= LEAST_RATIOS ? halfWidth(ratios) : null,
    // Touches of one job share its tip and its board.
    coverage: wilson(effective(jobs)),
    early: sum('early'),
    late: sum('late'),
  };
}
const LEAST_RATIOS = 5;

/** By what ratio the middle 80 % of sorted ratios lie about their middle. */
const halfWidth = (sorted: Float64Array): number =>
  Math.sqrt(percentile(sorted, 0.9) / percentile(sorted, 0.1));

/** What an error of that shape points to; null where bands hold or too little was seen. */
export function pointsTo({ touches, bias, coverage, early, late }: Omit<GroupHeld, 'key'>): string | null {
  if (touches < LEAST_TOLD || bias === null || coverage.high >= BAND_SHARE) return null;
  if (late > 3 * early && bias > 1.15)
    return 'melts later than foretold: a worn or oxidised tip, a tool that reads hot, or more copper than the record has';
  if (early > 3 * late && bias < 0.87)
    return 'melts sooner than foretold: a tool that reads cold, more fresh solder, or less copper than the record has';
  return 'scatters more than its bands say: hands differ, or parts and copper are not told finely enough';
}
const LEAST_TOLD = 20;
