import { and, asc, desc, eq, inArray } from 'drizzle-orm';
import { jobOfRow, type JobRecord } from '~/schema/records/jobs/job';
import { jobs } from '~/schema/records/jobs/job.table';
import {
  runEventOf,
  runEventRow,
  type AppendRequest,
  type RunEventRow,
} from '~/schema/records/jobs/runEvent';
import { runEvents } from '~/schema/records/jobs/runEvent.table';
import { refusal, runState, type RunState } from '~/core/record/runState';
import type { RunEvent, RunEventBody } from '~/core/record/runEvents';
import type { Outcome } from '~/core/record/outcomes';
import type { Db } from '../db';
import { Conflict, NotFound } from '../errors';
import { setWaiting } from './boards';
import { bookUse } from './supplies';

export interface JobWithEvents {
  readonly job: JobRecord;
  readonly events: readonly RunEvent[];
}

export function getJob(db: Db, id: string): JobWithEvents {
  const row = db.select().from(jobs).where(eq(jobs.id, id)).get();
  if (!row) throw new NotFound('job', id);
  return { job: jobOfRow(row), events: eventsOf(db, [id]) };
}

export const hasJob = (db: Db, id: string): boolean =>
  db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, id)).get() !== undefined;

export function jobsOfBoard(db: Db, boardId: string): JobWithEvents[] {
  const rows = db
    .select()
    .from(jobs)
    .where(eq(jobs.boardId, boardId))
    .orderBy(desc(jobs.acceptedAt_ms))
    .all();
  return withEvents(
    db,
    rows.map((row) => jobOfRow(row)),
  );
}

export function runningJobs(db: Db): JobWithEvents[] {
  const rows = db
    .select()
    .from(jobs)
    .where(eq(jobs.status, 'running'))
    .orderBy(asc(jobs.acceptedAt_ms))
    .limit(200)
    .all();
  return withEvents(
    db,
    rows.map((row) => jobOfRow(row)),
  );
}

/** Entries of every job on one site, job by job: its heat history. */
export function siteHistory(db: Db, siteId: string): RunEvent[][] {
  const ids = db
    .select({ id: jobs.id })
    .from(jobs)
    .where(eq(jobs.siteId, siteId))
    .all()
    .map((row) => row.id);
  return ids.map((id) => eventsOf(db, [id]));
}

export function addJob(db: Db, job: Omit<JobRecord, 'lastSeq'>, openedBy: string): JobWithEvents {
  return db.transaction((tx) => {
    const open = tx
      .select({ id: jobs.id })
      .from(jobs)
      .where(and(eq(jobs.siteId, job.siteId), eq(jobs.status, 'running')))
      .get();
    if (open)
      throw new Conflict('this site has a job running already; finish or close that one first', {
        jobId: open.id,
      });
    const record: JobRecord = { ...job, lastSeq: 1 };
    tx.insert(jobs).values(rowOf(record)).run();
    const row = openingRow(job, openedBy);
    tx.insert(runEvents).values(row).run();
    setWaiting(db, job.boardId, { waitingFor: 'you', nextAction: `Run: ${job.plan.steps[0]!.title}` });
    return { job: record, events: [runEventOf(row)] };
  });
}

const rowOf = ({ request, ...job }: JobRecord): typeof jobs.$inferInsert => ({ ...job, ...request });

const openingRow = (job: { id: string; acceptedAt_ms: number }, by: string): RunEventRow => ({
  jobId: job.id,
  seq: 1,
  clientId: `${job.id}-opened`,
  at_ms: job.acceptedAt_ms,
  by,
  body: { kind: 'opened' },
});

/**
 * Appends one entry, and what the server itself derives from it, in one transaction.
 * A repeated `clientId` gives back what was written then. An `afterSeq` that is not the last entry
 * means another screen wrote meanwhile: nothing is written and the caller gets the present entries.
 */
export function appendEvent(
  db: Db,
  jobId: string,
  request: AppendRequest,
  now_ms: number,
  derive: (job: JobRecord, state: RunState) => RunEventBody[],
): JobWithEvents {
  return db.transaction(() => {
    const { job, events } = getJob(db, jobId);
    const repeated = db
      .select({ seq: runEvents.seq })
      .from(runEvents)
      .where(and(eq(runEvents.clientId, request.clientId), eq(runEvents.jobId, jobId)))
      .get();
    if (repeated) return { job, events };
    if (request.afterSeq !== job.lastSeq) {
      throw new Conflict('another screen has gone on with this job; this one now shows where it stands', {
        events,
      });
    }
    const stepIds = job.plan.steps.map((step) => step.id);
    const why = refusal(runState(stepIds, events), stepIds, request.event);
    if (why) throw new Conflict(why, { events });

    const written = [request.event as RunEventBody].map((body, i) => toRow(job, i, body, request, now_ms));
    const after = runState(stepIds, [...events, ...written.map(runEventOf)]);
    derive(job, after).forEach((body, i) => written.push(toRow(job, i + 1, body, request, now_ms)));
    db.insert(runEvents).values(written).run();

    const closing = request.event.kind === 'closed' ? request.event : null;
    db.update(jobs)
      .set({
        lastSeq: job.lastSeq + written.length,
        ...(closing && {
          status: 'closed' as const,
          outcome: closing.outcome,
          cause: closing.cause,
          closedAt_ms: now_ms,
        }),
      })
      .where(eq(jobs.id, jobId))
      .run();
    if (closing) {
      // What was planned counts as used once anything was heated.
      if (after.dwells.length > 0) bookUse(db, { id: job.id, by: request.by }, job.plan.consumption, now_ms);
      setWaiting(db, job.boardId, afterClosing(closing.outcome));
    } else {
      const step = job.plan.steps[after.stepIndex];
      setWaiting(db, job.boardId, {
        waitingFor: step?.kind === 'wait' ? (step.id === 'dry' ? 'drying' : 'heat') : 'you',
        nextAction: step ? `Run: ${step.title}` : 'Close the job with its outcome',
      });
    }
    return getJob(db, jobId);
  });
}

function toRow(
  job: JobRecord,
  offset: number,
  body: RunEventBody,
  request: AppendRequest,
  now_ms: number,
): RunEventRow {
  return {
    jobId: job.id,
    seq: job.lastSeq + 1 + offset,
    clientId: offset === 0 ? request.clientId : `${request.clientId}-${offset}`,
    at_ms: now_ms,
    by: request.by,
    body,
  };
}

function afterClosing(outcome: Outcome): Parameters<typeof setWaiting>[2] {
  switch (outcome) {
    case 'scrapped':
      return { waitingFor: 'closed', nextAction: '', outcome };
    case 'parked':
      return { waitingFor: 'parts', nextAction: 'Order the parts', outcome };
    case 'worse':
    case 'unchanged':
      return { waitingFor: 'you', nextAction: 'Plan again', outcome };
    default:
      return { waitingFor: 'owner', nextAction: 'Test, then hand back', outcome };
  }
}

function eventsOf(db: Db, jobIds: readonly string[]): RunEvent[] {
  return db
    .select()
    .from(runEvents)
    .where(inArray(runEvents.jobId, [...jobIds]))
    .orderBy(asc(runEvents.jobId), asc(runEvents.seq))
    .all()
    .map((row) => runEventOf(runEventRow.parse(row)));
}

function withEvents(db: Db, records: readonly JobRecord[]): JobWithEvents[] {
  return records.map((job) => ({ job, events: eventsOf(db, [job.id]) }));
}
