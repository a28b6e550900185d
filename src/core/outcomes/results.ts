import { OUTCOMES, type Outcome } from '~/core/record/outcomes';
import { wilson, type Rate } from '~/core/statistics/rates';
import { grouped, type DimensionId } from './dimensions';
import type { JobFacts } from './jobFacts';

/** What came of the jobs of a group: each outcome's count, and the share that was fixed. */
export interface GroupResult {
  readonly key: string;
  readonly jobs: number;
  readonly counts: Readonly<Record<Outcome, number>>;
  readonly fixed: Rate;
  /** Minutes of work a job, the middle one. */
  readonly minutes: number;
}

/** Outcomes by the groups of a dimension. A job that is parked or done in part has not come to anything yet. */
export const resultsBy = (facts: readonly JobFacts[], dimension: DimensionId): GroupResult[] =>
  grouped(facts, dimension).map(({ key, facts: own }) => ({ key, ...resultOf(own) }));

export function resultOf(facts: readonly JobFacts[]): Omit<GroupResult, 'key'> {
  const counts = Object.fromEntries(OUTCOMES.map((o) => [o, 0])) as Record<Outcome, number>;
  for (const f of facts) counts[f.outcome]++;
  const ended = facts.length - counts.parked - counts['part-done'];
  return {
    jobs: facts.length,
    counts,
    fixed: wilson({ bad: counts.fixed, of: ended }),
    minutes: middle(facts.map((f) => f.minutes)),
  };
}

/** The middle of some numbers; no number where there are none. */
export function middle(values: readonly number[]): number {
  if (values.length === 0) return NaN;
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}
