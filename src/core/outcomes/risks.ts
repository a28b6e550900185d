import { pool } from '~/core/statistics/pooling';
import { beliefMean } from '~/core/statistics/rates';
import { countOf } from './harmRates';
import type { HarmId } from './harms';
import type { JobFacts } from './jobFacts';

/** Work that is alike: what it is worked on with, on what, and which part. */
const stratumOf = ({ method, laminate, family }: JobFacts): string => `${method} ${laminate} ${family}`;

/**
 * How much more or less often than usual a harm comes with that kind of work, whenever it was: a month with many hard jobs is
 * no worse a month. Kinds that were counted seldom lean on what is usual (risk adjustment: Steiner and others, Biostatistics 1,
 * 2000).
 */
export function risksOf(facts: readonly JobFacts[], harm: HarmId): (job: JobFacts) => number {
  const strata = new Map<string, JobFacts[]>();
  for (const f of facts) {
    const key = stratumOf(f);
    const own = strata.get(key);
    if (own) own.push(f);
    else strata.set(key, [f]);
  }
  const { usual, beliefs } = pool([...strata.values()].map((own) => countOf(own, harm)));
  const risks = new Map([...strata.keys()].map((key, i) => [key, beliefMean(beliefs[i]!) / usual]));
  return (job) => risks.get(stratumOf(job)) ?? 1;
}
