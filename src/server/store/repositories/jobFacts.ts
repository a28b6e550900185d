import { and, asc, eq, isNull, sql, type SQL } from 'drizzle-orm';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { boards } from '~/schema/records/board/board.table';
import { boardEntries } from '~/schema/records/board/boardEntry.table';
import { partMoves } from '~/schema/records/parts/stockPart.table';
import { jobFacts } from '~/schema/records/jobs/jobFacts.table';
import { jobs } from '~/schema/records/jobs/job.table';
import type { Db } from '../db';

/** A job's counts as they are kept; what its board is told to be is read with it, as that may be corrected. */
export type KeptFacts = typeof jobFacts.$inferSelect;

/** Kept, or taken away where the job goes on; within the transaction that changed the job. */
export function keepJobFacts(db: Db, jobId: string, facts: KeptFacts | null): void {
  if (facts === null) db.delete(jobFacts).where(eq(jobFacts.jobId, jobId)).run();
  else db.insert(jobFacts).values(facts).onConflictDoUpdate({ target: jobFacts.jobId, set: facts }).run();
  const known = changesOf(db);
  known.count++;
  known.unread.add(jobId);
}

/** Jobs whose counts changed and were not read since, and how many changes there were. */
const changes = new WeakMap<Db, { count: number; unread: Set<string> }>();
function changesOf(db: Db) {
  const known = changes.get(db) ?? { count: 0, unread: new Set<string>() };
  changes.set(db, known);
  return known;
}

/** The jobs whose counts changed since this was last asked. */
export function takeChanged(db: Db): readonly string[] {
  const { unread } = changesOf(db);
  const ids = [...unread];
  unread.clear();
  return ids;
}

/** Tells a connection of what another one counted anew. */
export function noteChanged(db: Db, jobIds: readonly string[]): void {
  const { unread } = changesOf(db);
  for (const id of jobIds) unread.add(id);
}

/** Another whenever something changed that views of the evidence are made of: counts, boards, their entries, parts fitted. */
export function evidenceStamp(db: Db): string {
  const last = (table: SQLiteTable): SQL => sql`(select ifnull(max(rowid), 0) from ${table})`;
  const { stamp } = db.get<{ stamp: string }>(
    sql`select ${last(boardEntries)} || ' ' || ${last(partMoves)} || ' ' || (select count(*) || ' ' || ifnull(sum(revision), 0) from ${boards}) as stamp`,
  );
  return `${changesOf(db).count} ${stamp}`;
}

/** How boards are told of, in one figure that changes with any of them. */
export const boardsStamp = (db: Db): string =>
  db.get<{ stamp: string }>(sql`select count(*) || ' ' || ifnull(sum(revision), 0) as stamp from ${boards}`)
    .stamp;

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

/** Every job that is counted, in the order they were closed. */
export const countedJobs = (db: Db): KeptFacts[] =>
  db.select().from(jobFacts).orderBy(asc(jobFacts.closedAt_ms)).all();
