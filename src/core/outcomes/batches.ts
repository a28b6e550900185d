import { wilson, type Count, type Rate } from '~/core/statistics/rates';
import type { JobFacts } from './jobFacts';

/** A part out of a stock line, as it was fitted. */
export interface Fitted {
  readonly partId: string;
  readonly siteId: string;
  readonly at_ms: number;
}

/** How parts of one line did once they were fitted. */
export interface BatchHeld {
  readonly partId: string;
  readonly fitted: number;
  readonly failed: Count;
  readonly rate: Rate;
}

/** A part counts as failed where the next job on its site says that the new part was bad. */
export function batchesHeld(facts: readonly JobFacts[], fitted: readonly Fitted[]): BatchHeld[] {
  const bad = facts.filter((f) => f.rootCause === 'bad-part');
  const onSite = new Map<string, Fitted[]>();
  for (const one of fitted) {
    const own = onSite.get(one.siteId);
    if (own) own.push(one);
    else onSite.set(one.siteId, [one]);
  }
  const failed = new Map<string, number>();
  for (const { siteId, acceptedAt_ms } of bad) {
    const last = (onSite.get(siteId) ?? [])
      .filter((f) => f.at_ms <= acceptedAt_ms)
      .reduce<Fitted | null>((late, f) => (late && late.at_ms > f.at_ms ? late : f), null);
    if (last) failed.set(last.partId, (failed.get(last.partId) ?? 0) + 1);
  }
  const of = new Map<string, number>();
  for (const { partId } of fitted) of.set(partId, (of.get(partId) ?? 0) + 1);
  return [...of]
    .map(([partId, count]) => {
      const counted = { bad: Math.min(count, failed.get(partId) ?? 0), of: count };
      return { partId, fitted: count, failed: counted, rate: wilson(counted) };
    })
    .sort((a, b) => b.rate.low - a.rate.low || b.fitted - a.fitted);
}
