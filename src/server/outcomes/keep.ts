import type { FindingRecord } from '~/schema/records/site/finding';
import type { Db } from '~/server/store/db';
import { keepJobFacts, uncountedJobs } from '~/server/store/repositories/jobFacts';
import { jobTimesAt } from '~/server/store/repositories/jobs';
import { factsOf } from './factsOf';

/**
 * Counts a job anew: to be called in the transaction that wrote an entry or a finding of it, so that what is counted is never
 * another than what is written.
 */
export const recount = (db: Db, jobId: string): void => keepJobFacts(db, jobId, factsOf(db, jobId));

/** Counts the jobs anew that a finding may be of: its own, and those on its pad's site. */
export function recountFound(db: Db, { jobId, siteId }: Pick<FindingRecord, 'jobId' | 'siteId'>): void {
  const ids = new Set(jobTimesAt(db, siteId).map(({ id }) => id));
  if (jobId !== null) ids.add(jobId);
  for (const id of ids) recount(db, id);
}

/**
 * Counts what was closed before counts were kept; one that cannot be read is told of and left. Gives way between jobs: an old
 * workshop has thousands.
 */
export async function countUncounted(db: Db): Promise<void> {
  for (const id of uncountedJobs(db)) {
    try {
      db.transaction(() => recount(db, id));
    } catch (error) {
      console.error(`ithermon: job ${id} cannot be counted:`, error);
    }
    await new Promise(setImmediate);
  }
}
