import { pool } from '~/core/statistics/pooling';
import { beliefMean, type Count } from '~/core/statistics/rates';
import type { JobFacts } from './jobFacts';

/** Work that is alike: what it is worked on with, on what, and which part. */
const stratumOf = ({ method, laminate, family }: JobFacts): string => `${method} ${laminate} ${family}`;

/**
 * How much more or less often than usual a harm comes with each job's kind of work, whenever it was, from what was counted of
 * each: a month with many hard jobs is no worse a month. Kinds that were counted seldom lean on what is usual (risk
 * adjustment: Steiner and others, Biostatistics 1, 2000).
 */
export function risksOf(jobs: readonly JobFacts[], counts: readonly Count[]): number[] {
  const at = new Map<string, number>();
  const strata: { bad: number; of: number }[] = [];
  const stratum = jobs.map((job, i) => {
    const key = stratumOf(job);
    let own = at.get(key);
    if (own === undefined) {
      own = strata.push({ bad: 0, of: 0 }) - 1;
      at.set(key, own);
    }
    strata[own]!.bad += counts[i]!.bad;
    strata[own]!.of += counts[i]!.of;
    return own;
  });
  const { usual, beliefs } = pool(strata);
  const risks = beliefs.map((belief) => beliefMean(belief) / usual);
  return stratum.map((own) => risks[own]!);
}
