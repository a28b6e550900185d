import { and, desc, eq, gte, isNotNull } from 'drizzle-orm';
import { thermalLogRow, type ThermalLogRow } from '~/schema/records/jobs/thermalLog';
import { thermalLogs } from '~/schema/records/jobs/thermalLog.table';
import { jobs } from '~/schema/records/jobs/job.table';
import type { Db } from '../db';
import { NotFound } from '../errors';
import { asWritten } from '../order';

/** Logs of a job, in the order they were kept. */
export const logsOfJob = (db: Db, jobId: string): ThermalLogRow[] =>
  db
    .select()
    .from(thermalLogs)
    .where(eq(thermalLogs.jobId, jobId))
    .orderBy(asWritten(thermalLogs))
    .all()
    .map((row) => thermalLogRow.parse(row));

/** Heatings that instruments logged on their land since then, with the job each is of. */
export const heatsLoggedSince = (db: Db, at_ms: number): { jobId: string; onSeq: number }[] =>
  db
    .select({ jobId: thermalLogs.jobId, onSeq: thermalLogs.ofSeq })
    .from(thermalLogs)
    .where(and(gte(thermalLogs.at_ms, at_ms), isNotNull(thermalLogs.landChannel)))
    .all()
    .flatMap(({ jobId, onSeq }) => (onSeq === null ? [] : [{ jobId, onSeq }]));

/** Logs of one heating of a job, in the order they were kept. */
export const logsOfHeat = (db: Db, jobId: string, onSeq: number): ThermalLogRow[] =>
  db
    .select()
    .from(thermalLogs)
    .where(and(eq(thermalLogs.jobId, jobId), eq(thermalLogs.ofSeq, onSeq)))
    .orderBy(asWritten(thermalLogs))
    .all()
    .map((row) => thermalLogRow.parse(row));

/** Logs of every job on a board, the newest first, so many. */
export const logsOnBoard = (db: Db, boardId: string, most: number): ThermalLogRow[] =>
  db
    .select({ log: thermalLogs })
    .from(thermalLogs)
    .innerJoin(jobs, eq(thermalLogs.jobId, jobs.id))
    .where(eq(jobs.boardId, boardId))
    .orderBy(desc(thermalLogs.at_ms))
    .limit(most)
    .all()
    .map(({ log }) => thermalLogRow.parse(log));

export function getLog(db: Db, jobId: string, id: string): ThermalLogRow {
  const row = db
    .select()
    .from(thermalLogs)
    .where(and(eq(thermalLogs.jobId, jobId), eq(thermalLogs.id, id)))
    .get();
  if (!row) throw new NotFound('log', id);
  return thermalLogRow.parse(row);
}

/** Keeps a log; one that is kept already stays as it is. */
export const keepLog = (db: Db, row: ThermalLogRow): void =>
  void db.insert(thermalLogs).values(row).onConflictDoNothing().run();
