import { percentile } from '~/core/statistics/percentile';
import { effective, wilson, type Count, type Rate } from '~/core/statistics/rates';
import { grouped, type DimensionId } from './dimensions';
import { FORETOLD, type ForetoldId } from './foretold';
import type { JobFacts } from './jobFacts';

/** So much of what is seen ought to lie in a band from a tenth to nine tenths. */
export const BAND_SHARE = 0.8;

/** How well what was foretold held for one group of jobs. */
export interface GroupHeld {
  readonly key: string;
  readonly jobs: number;
  /** Touches, or jobs, that were foretold and told of. */
  readonly counted: number;
  /** Seen over expected, or less it, the middle one: 1.3 melts a third later than said. Null: too few came. */
  readonly bias: number | null;
  /** Half the middle 80 % about it: as a ratio, 1.5 means from a third under to half over. */
  readonly spread: number | null;
  /** Share within their band. */
  readonly coverage: Rate;
  readonly early: number;
  readonly late: number;
}

export const heldBy = (facts: readonly JobFacts[], dimension: DimensionId, of: ForetoldId): GroupHeld[] =>
  grouped(facts, dimension)
    .map(({ key, facts: own }) => ({ key, ...heldOf(own, of) }))
    .filter(({ counted }) => counted > 0);

export function heldOf(facts: readonly JobFacts[], of: ForetoldId): Omit<GroupHeld, 'key'> {
  const jobs: Count[] = [];
  const sum = { early: 0, within: 0, late: 0, off: 0 };
  for (const { held } of facts) {
    const { early, within, late, off } = held[of];
    if (early + within + late === 0) continue;
    jobs.push({ bad: within, of: early + within + late });
    sum.early += early;
    sum.within += within;
    sum.late += late;
    sum.off += off.length;
  }
  const off = new Float64Array(sum.off);
  let at = 0;
  for (const { held } of facts) for (const value of held[of].off) off[at++] = value;
  off.sort();
  return {
    jobs: jobs.length,
    counted: sum.early + sum.within + sum.late,
    bias: off.length >= LEAST_CAME ? percentile(off, 0.5) : null,
    spread: off.length >= LEAST_CAME ? halfWidth(off, FORETOLD[of].by) : null,
    // Touches of one job share its tip and its board.
    coverage: wilson(effective(jobs)),
    early: sum.early,
    late: sum.late,
  };
}
const LEAST_CAME = 5;

/** By how much the middle 80 % of sorted values lie about their middle. */
function halfWidth(sorted: Float64Array, by: 'ratio' | 'difference'): number {
  const [low, high] = [percentile(sorted, 0.1), percentile(sorted, 0.9)];
  return by === 'ratio' ? Math.sqrt(high / low) : (high - low) / 2;
}

/** What an error of that shape points to; null where bands hold or too little was seen. */
export function pointsTo(
  { counted, bias, coverage, early, late }: Omit<GroupHeld, 'key'>,
  of: ForetoldId,
): string | null {
  if (counted < LEAST_TOLD || bias === null || coverage.high >= BAND_SHARE) return null;
  const { by, ...points } = FORETOLD[of];
  const [under, over] = NOTICED[by];
  if (late > 3 * early && bias > over) return points.late;
  if (early > 3 * late && bias < under) return points.early;
  return 'scatters more than its bands say: hands differ, or parts and copper are not told finely enough';
}
const LEAST_TOLD = 20;

/** What is off by less is no lean to one side: times, or units. */
const NOTICED = { ratio: [0.87, 1.15], difference: [-10, 10] } as const;
