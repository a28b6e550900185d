import { LRUCache } from 'lru-cache';
import { and, asc, desc, eq, gt, inArray, isNull, notLike, or, sql } from 'drizzle-orm';
import { benchHeats } from '~/schema/records/rig/benchHeats.table';
import { jobOfRow, type JobRecord } from '~/schema/records/jobs/job';
import { jobs } from '~/schema/records/jobs/job.table';
import { runEventBody, runEventOf, type RunEventRow } from '~/schema/records/jobs/runEvent';
import { runEvents } from '~/schema/records/jobs/runEvent.table';
import { SAMPLE } from '~/core/outcomes/sample';
import type { JobTrace } from '~/core/record/occupancy';
import type { RunEvent } from '~/core/record/runEvents';
import { jobMoved } from '~/server/live/moves';
import type { Db } from '../db';
import { ready } from '../ready';
import { asWritten, lastWrittenFirst } from '../order';
import { Conflict, NotFound } from '../errors';
import { countedOf } from './trackRecord';

export interface JobWithEvents {
  readonly job: JobRecord;
  readonly events: readonly RunEvent[];
}

const headOf = ready((db) =>
  db
    .select(HEAD)
    .from(jobs)
    .where(eq(jobs.id, sql.placeholder('id')))
    .prepare(),
);

export function getJob(db: Db, id: string): JobWithEvents {
  const head = headOf(db).get({ id });
  if (!head) throw new NotFound('job', id);
  return jobsBy(db, [head])[0]!;
}

const HEAD = { id: jobs.id, lastSeq: jobs.lastSeq };

/** Jobs as they were last read, by their ids: a job changes with a further entry alone. */
const READ = new WeakMap<Db, LRUCache<string, JobWithEvents>>();
const MOST_READ = 200;

/** Jobs with their entries, in the order given; read anew are those that have a further entry since. */
function jobsBy(db: Db, heads: readonly Pick<JobRecord, 'id' | 'lastSeq'>[]): JobWithEvents[] {
  const read = READ.get(db) ?? new LRUCache<string, JobWithEvents>({ max: MOST_READ });
  READ.set(db, read);
  const changed = heads
    .filter(({ id, lastSeq }) => read.get(id)?.job.lastSeq !== lastSeq)
    .map(({ id }) => id);
  const fresh = new Map<string, JobWithEvents>();
  if (changed.length > 0) {
    const rows = db.select().from(jobs).where(inArray(jobs.id, changed)).all();
    for (const one of withEvents(
      db,
      rows.map((row) => jobOfRow(row)),
    ))
      fresh.set(one.job.id, one);
  }
  // What a transaction has written may yet be taken back, and the next entry has the same number.
  if (!db.$client.inTransaction) for (const [id, one] of fresh) read.set(id, one);
  return heads.map(({ id }) => fresh.get(id) ?? read.get(id)!);
}

export const hasJob = (db: Db, id: string): boolean =>
  db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, id)).get() !== undefined;

const headsOfBoard = ready((db) =>
  db
    .select(HEAD)
    .from(jobs)
    .where(eq(jobs.boardId, sql.placeholder('boardId')))
    .orderBy(asWritten(jobs))
    .prepare(),
);

/** A board's jobs, the one written last first. */
export const jobsOfBoard = (db: Db, boardId: string): JobWithEvents[] =>
  jobsBy(db, headsOfBoard(db).all({ boardId }).reverse());

/** More jobs than this under way at a time are not shown. */
const MOST_RUNNING = 500;

/** Jobs under way, the latest begun first, by what tells them apart and how far each has come. */
export const runningNow = (db: Db): Pick<JobRecord, 'id' | 'boardId' | 'lastSeq'>[] => underWay(db).all();

const underWay = ready((db) =>
  db
    .select({ id: jobs.id, boardId: jobs.boardId, lastSeq: jobs.lastSeq })
    .from(jobs)
    .where(eq(jobs.status, 'running'))
    .orderBy(lastWrittenFirst(jobs))
    .limit(MOST_RUNNING)
    .prepare(),
);

/** Jobs whose heatings may not be costed yet: those under way, and those closed within two days. */
export const jobsToCost = (db: Db, now_ms: number): string[] =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .where(or(eq(jobs.status, 'running'), gt(jobs.closedAt_ms, now_ms - 2 * DAY_ms)))
    .all()
    .map(({ id }) => id);

/** The latest closed jobs that have told nothing of their tips yet; samples have nothing to tell of them. */
export const untaughtJobs = (db: Db, most: number): string[] =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .leftJoin(benchHeats, eq(benchHeats.jobId, jobs.id))
    .where(and(eq(jobs.status, 'closed'), isNull(benchHeats.jobId), notLike(jobs.id, `${SAMPLE}%`)))
    .orderBy(desc(jobs.closedAt_ms))
    .limit(most)
    .all()
    .map(({ id }) => id);

const DAY_ms = 86_400_000;

export function addJob(db: Db, job: Omit<JobRecord, 'lastSeq'>, openedBy: string): JobWithEvents {
  return db.transaction((tx) => {
    const open = runningJobOf(db, job.siteId);
    if (open)
      throw new Conflict('this site has a job running already; finish or close that one first', {
        jobId: open,
      });
    const record: JobRecord = { ...job, lastSeq: 1 };
    tx.insert(jobs).values(rowOf(record)).run();
    const row = openingRow(job, openedBy);
    tx.insert(runEvents).values(row).run();
    return { job: record, events: [runEventOf(row)] };
  });
}

const rowOf = ({ request, ...job }: JobRecord): typeof jobs.$inferInsert => ({
  ...job,
  ...request,
  ...countedOf(job.plan),
});

const openingRow = (job: { id: string; acceptedAt_ms: number }, by: string): RunEventRow => ({
  jobId: job.id,
  seq: 1,
  clientId: `${job.id}-opened`,
  at_ms: job.acceptedAt_ms,
  by,
  body: { kind: 'opened' },
});

/** What appending entries changes of a job's row. */
export type JobRowChange = Partial<Pick<JobRecord, 'status' | 'outcome' | 'cause' | 'closedAt_ms'>>;

/** Appends rows after the last of their job, and writes what they change of it; for use within a transaction. */
export function appendRows(
  db: Db,
  job: JobRecord,
  rows: readonly RunEventRow[],
  change: JobRowChange = {},
): void {
  if (rows.length === 0) return;
  db.insert(runEvents)
    .values([...rows])
    .run();
  db.update(jobs)
    .set({ ...change, lastSeq: job.lastSeq + rows.length })
    .where(eq(jobs.id, job.id))
    .run();
  jobMoved(job.id, job.lastSeq + rows.length);
}

/** Whether a screen's entry is in a job's record already. */
export const wasAppended = (db: Db, jobId: string, clientId: string): boolean =>
  db
    .select({ seq: runEvents.seq })
    .from(runEvents)
    .where(and(eq(runEvents.clientId, clientId), eq(runEvents.jobId, jobId)))
    .get() !== undefined;

/** When each job on a site was begun, the first begun first. */
export const jobTimesAt = (db: Db, siteId: string): Pick<JobRecord, 'id' | 'acceptedAt_ms'>[] =>
  db
    .select({ id: jobs.id, acceptedAt_ms: jobs.acceptedAt_ms })
    .from(jobs)
    .where(eq(jobs.siteId, siteId))
    .orderBy(asc(jobs.acceptedAt_ms))
    .all();

/** Whether a site has a job under way, and which. */
export const runningJobOf = (db: Db, siteId: string): string | null =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(eq(jobs.siteId, siteId), eq(jobs.status, 'running')))
    .get()?.id ?? null;

/** So many traces are kept: those of a board with a hundred jobs, and of some others. */
const tracesKept = new LRUCache<string, BoardJob>({ max: 400 });

/** A job as its board's pages take it: what it did, and what its ledger says of it. */
export type BoardJob = JobTrace &
  Pick<JobRecord, 'by' | 'cause' | 'acceptedAt_ms'> & {
    readonly siteRef: string;
    /** As it was accepted, of its first phase. */
    readonly chosen: JobRecord['plan']['phases'][number]['chosen'];
    readonly steps: JobRecord['plan']['steps'];
  };

/** What jobs of a board did to its parts, the oldest first. A trace is kept until its job has a further entry. */
export function tracesOf(db: Db, boardId: string): BoardJob[] {
  const heads = headsOfBoard(db)
    .all({ boardId })
    .map((head) => ({ ...head, key: `${dbName(db)} ${head.id} ${head.lastSeq}` }));
  const fresh = new Map(
    jobsBy(
      db,
      heads.filter(({ key }) => !tracesKept.has(key)),
    ).map((read) => [read.job.id, traceOf(read)]),
  );
  return heads.map(({ id, key }) => {
    const trace = fresh.get(id) ?? tracesKept.get(key)!;
    // What a transaction has written may yet be taken back, and the next entry has the same number.
    if (!db.$client.inTransaction) tracesKept.set(key, trace);
    return trace;
  });
}

const traceOf = ({ job, events }: JobWithEvents): BoardJob => {
  const { id, siteId, recapId, goal, status, outcome, by, cause, acceptedAt_ms, plan } = job;
  return {
    ...{ id, siteId, recapId, goal, status, outcome, by, cause, acceptedAt_ms, events },
    siteRef: plan.site.ref,
    chosen: plan.phases[0]!.chosen,
    steps: plan.steps,
  };
};

const names = new WeakMap<Db, number>();
let opened = 0;
/** Databases of one process apart: tests open many. */
export const dbName = (db: Db): number => {
  const known = names.get(db) ?? ++opened;
  names.set(db, known);
  return known;
};

type Entry = readonly [jobId: string, seq: number, at_ms: number, by: string, body: string];
const entriesOf = ready((db) =>
  db.$client
    .prepare(
      `select job_id, seq, at_ms, "by", body from run_events
       where job_id in (select value from json_each(?)) order by job_id, seq`,
    )
    .raw(),
);

/** Entries of all of them in one statement, as bare as they come: a board's jobs have hundreds, and pages wait for them. */
function withEvents(db: Db, records: readonly JobRecord[]): JobWithEvents[] {
  const events = new Map<string, RunEvent[]>(records.map(({ id }) => [id, []]));
  for (const [jobId, seq, at_ms, by, body] of entriesOf(db).all(
    JSON.stringify([...events.keys()]),
  ) as Entry[])
    events.get(jobId)!.push({ ...runEventBody.parse(JSON.parse(body)), seq, at_ms, by });
  return records.map((job) => ({ job, events: events.get(job.id)! }));
}
