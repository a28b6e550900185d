import { findings } from '~/schema/records/site/finding.table';
import { jobs } from '~/schema/records/jobs/job.table';
import { runEvents } from '~/schema/records/jobs/runEvent.table';
import type { Db } from '../db';

/** A closed job with all its entries and findings, as rows. */
export interface FinishedJob {
  readonly job: typeof jobs.$inferInsert;
  readonly events: readonly (typeof runEvents.$inferInsert)[];
  readonly findings: readonly (typeof findings.$inferInsert)[];
}

/** Writes a job that was done elsewhere, as it was written there; for use within a transaction. */
export function addFinishedJob(db: Db, { job, events, findings: found }: FinishedJob): void {
  db.insert(jobs).values(job).run();
  db.insert(runEvents)
    .values([...events])
    .run();
  for (const row of found) db.insert(findings).values(row).run();
}
