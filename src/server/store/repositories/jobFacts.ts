import { and, asc, eq, getTableColumns, isNull } from 'drizzle-orm';
import type { MeltSeen } from '~/core/outcomes/jobFacts';
import { jobFacts } from '~/schema/records/jobs/jobFacts.table';
import { jobs } from '~/schema/records/jobs/job.table';
import type { Db } from '../db';

/** A job's counts as they are kept; what its board is told to be is read with it, as that may be corrected. */
export type KeptFacts = typeof jobFacts.$inferSelect;

/** Kept, or taken away where the job goes on; within the transaction that changed the job. */
export function keepJobFacts(db: Db, jobId: string, facts: KeptFacts | null): void {
  if (facts === null) db.delete(jobFacts).where(eq(jobFacts.jobId, jobId)).run();
  else db.insert(jobFacts).values(facts).onConflictDoUpdate({ target: jobFacts.jobId, set: facts }).run();
  changes.set(db, factsChanges(db) + 1);
}

const changes = new WeakMap<Db, number>();
/** Rises with every change of what is counted: what was made of it before is old. */
export const factsChanges = (db: Db): number => changes.get(db) ?? 0;

export const factsKept = (db: Db, jobId: string): KeptFacts | null =>
  db.select().from(jobFacts).where(eq(jobFacts.jobId, jobId)).get() ?? null;

/** Closed jobs that nothing was counted of yet: those of before counts were kept. */
export const uncountedJobs = (db: Db): string[] =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .leftJoin(jobFacts, eq(jobFacts.jobId, jobs.id))
    .where(and(eq(jobs.status, 'closed'), isNull(jobFacts.jobId)))
    .all()
    .map(({ id }) => id);

const { melts: _melts, ...COUNTS } = getTableColumns(jobFacts);

/** Every job that is counted, in the order they were closed, without its touches. */
export const countedJobs = (db: Db): Omit<KeptFacts, 'melts'>[] =>
  db.select(COUNTS).from(jobFacts).orderBy(asc(jobFacts.closedAt_ms)).all();

/** Touches of every counted job, by its id. */
export const meltsKept = (db: Db): ReadonlyMap<string, readonly MeltSeen[]> =>
  new Map(
    db
      .select({ jobId: jobFacts.jobId, melts: jobFacts.melts })
      .from(jobFacts)
      .all()
      .map(({ jobId, melts }) => [jobId, melts]),
  );
