import { pool } from '~/core/statistics/pooling';
import {
  chanceLess,
  effective,
  rateOf,
  wilson,
  type Belief,
  type Count,
  type Rate,
} from '~/core/statistics/rates';
import { grouped, type DimensionId } from './dimensions';
import { harmTraits, type HarmId } from './harms';
import type { JobFacts } from './jobFacts';

/** Under so many jobs a number says little, and says so. */
const FEW_JOBS = 8;

/** One group: what was counted, its own interval, and what is believed of it beside the others. */
export interface GroupRate {
  readonly key: string;
  readonly jobs: number;
  readonly counted: Count;
  /** As counted, by Wilson. */
  readonly own: Rate;
  /** Leaning on what is usual over all groups, the more the less was counted here. */
  readonly pooled: Rate;
  readonly belief: Belief;
  /** Too few to say much. */
  readonly few: boolean;
}

export interface HarmRates {
  readonly harm: HarmId;
  readonly per: 'joint' | 'job';
  readonly usual: number;
  /** Each group counts as if so many more had gone as usual. */
  readonly strength: number;
  readonly groups: readonly GroupRate[];
}

/** What was counted of a harm in one job: of its joints, or of it. */
export function jobCount({ harms, joints }: Pick<JobFacts, 'harms' | 'joints'>, harm: HarmId): Count {
  const bad = harms[harm];
  // A land that came off without ever being heated still is one of those that were worked on.
  return { bad, of: Math.max(harmTraits(harm).per === 'joint' ? joints : 1, bad) };
}

/** The same over jobs. */
export function countOf(facts: readonly JobFacts[], harm: HarmId): Count {
  let [bad, of] = [0, 0];
  for (const f of facts) {
    const own = jobCount(f, harm);
    bad += own.bad;
    of += own.of;
  }
  return { bad, of };
}

/** Rates of a harm by the groups of a dimension, with intervals, and drawn together as far as groups are alike. */
export function harmRates(facts: readonly JobFacts[], harm: HarmId, dimension: DimensionId): HarmRates {
  const groups = grouped(facts, dimension);
  const counts = groups.map((g) => countOf(g.facts, harm));
  // Pads of one job go wrong together: they tell less than as many of different jobs.
  const tell = groups.map((g) => effective(g.facts.map((f) => jobCount(f, harm))));
  const { usual, strength, beliefs } = pool(tell);
  return {
    harm,
    per: harmTraits(harm).per,
    usual,
    strength,
    groups: groups.map(({ key, facts: own }, i) => ({
      key,
      jobs: own.length,
      counted: counts[i]!,
      own: wilson(tell[i]!),
      pooled: rateOf(beliefs[i]!),
      belief: beliefs[i]!,
      few: own.length < FEW_JOBS,
    })),
  };
}

/** How sure it is that one group harms less than another; a belief of half says that nobody knows. */
export const surelyLess = (one: GroupRate, other: GroupRate): number => chanceLess(one.belief, other.belief);
