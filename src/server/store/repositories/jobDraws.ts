import { eq } from 'drizzle-orm';
import { jobDrawsRow, type JobDrawsRow } from '~/schema/records/jobs/jobDraws';
import { jobDraws } from '~/schema/records/jobs/jobDraws.table';
import type { Db } from '../db';

export const drawsOfJob = (db: Db, jobId: string): JobDrawsRow[] =>
  db
    .select()
    .from(jobDraws)
    .where(eq(jobDraws.jobId, jobId))
    .all()
    .map((row) => jobDrawsRow.parse(row));

/** Keeps a phase's draws; what a job keeps already stays as it is. */
export const keepDraws = (db: Db, row: JobDrawsRow): void =>
  void db.insert(jobDraws).values(row).onConflictDoNothing().run();
