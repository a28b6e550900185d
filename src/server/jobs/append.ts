import type { RunEvent, RunEventBody } from '~/core/record/runEvents';
import { against } from '~/core/record/boardClock';
import { clockInWords } from '~/core/record/boardEntries';
import { refusal } from '~/core/record/refusal';
import { isSupplyGate } from '~/core/record/supplyGate';
import { runState, type RunState } from '~/core/record/runState';
import type { JobRecord } from '~/schema/records/jobs/job';
import type { JobPlan } from '~/schema/records/jobs/jobPlan';
import { runEventOf, type AppendRequest, type RunEventRow } from '~/schema/records/jobs/runEvent';
import { followJob } from '~/server/boards/boardClocks';
import { restate } from '~/server/boards/restate';
import { recount } from '~/server/outcomes/keep';
import type { Db } from '~/server/store/db';
import { clocksKept } from '~/server/store/repositories/boardClocks';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';
import { Conflict } from '~/server/store/errors';
import {
  appendRows,
  getJob,
  runningJobOf,
  wasAppended,
  type JobRowChange,
  type JobWithEvents,
} from '~/server/store/repositories/jobs';
import { bookUse } from '~/server/store/repositories/supplies';

/** Entries after which a board's open work may be other than before. */
const CHANGES_WORK: ReadonlySet<RunEventBody['kind']> = new Set([
  'step-done',
  'step-back',
  'heat-off',
  'taken-back',
  'closed',
  'resumed',
]);

/**
 * Appends one entry. A repeated `clientId` gives back what was written then. An `afterSeq` that is not the last entry
 * means another screen wrote meanwhile: where that moved the job, nothing is written and the caller gets the present
 * entries. The fact is stored and nothing is computed from it here: what a heating cost is the server's own later entry.
 */
export function appendEvent(db: Db, jobId: string, request: AppendRequest, now_ms: number): JobWithEvents {
  db.transaction(() => {
    if (wasAppended(db, jobId, request.clientId)) return;
    const { job, events } = getJob(db, jobId);
    if (missesMore(request, job, events)) {
      throw new Conflict('another screen has gone on with this job; this one now shows where it stands', {
        events,
      });
    }
    const { steps } = job.plan;
    const why =
      refusal(runState(steps, events), steps, request.event, events) ??
      siteTaken(db, job, request.event) ??
      powerWaits(db, job, request.event, now_ms);
    if (why) throw new Conflict(why, { events });
    // As it was pressed, and never before what was written last.
    const pressed_ms = Math.max(now_ms - (request.ago_ms ?? 0), events.at(-1)?.at_ms ?? 0);
    const row: RunEventRow = {
      jobId: job.id,
      seq: job.lastSeq + 1,
      clientId: request.clientId,
      at_ms: Math.min(pressed_ms, now_ms),
      by: request.by,
      body: request.event,
    };
    appendRows(db, job, [row], rowChange(request.event, now_ms));
    if (job.status === 'closed' || request.event.kind === 'closed') recount(db, job.id);
    if (request.event.kind === 'closed' && !wasClosedBefore(events))
      bookUse(db, { id: job.id, by: request.by }, usedBy(job.plan, runState(steps, events)), now_ms);
    if (request.event.kind === 'closed' && request.event.outcome === 'parked') park(db, job, request, now_ms);
    if (CHANGES_WORK.has(request.event.kind)) {
      const after = [...events, runEventOf(row)];
      followJob(db, job, runState(steps, after), row);
      restate(db, job.boardId);
    }
  });
  return getJob(db, jobId);
}

/** Entries that leave a job where it stands: a screen that has not seen them yet may go on all the same. */
const LEAVES_STANDING: ReadonlySet<RunEventBody['kind']> = new Set(['exposure', 'note']);

/** Whether the record has gone on in a way that a screen which asks to append does not know of. */
const missesMore = ({ afterSeq }: AppendRequest, job: JobRecord, events: readonly RunEvent[]): boolean =>
  afterSeq > job.lastSeq || events.some((e) => e.seq > afterSeq && !LEAVES_STANDING.has(e.kind));

/** What was planned for a half of a job counts as used once anything of that half was heated. */
function usedBy(
  { uses, consumption, steps }: JobPlan,
  { dwells }: RunState,
): JobPlan['consumption'] | JobPlan['uses'] {
  if (dwells.length === 0) return [];
  if (uses.length === 0) return consumption;
  const heated = new Set(dwells.map(({ stepId }) => steps.find((step) => step.id === stepId)?.phase));
  return uses.filter(({ phase }) => heated.has(phase));
}

/** A job that is parked parks its board with it, for what it said. */
function park(db: Db, job: JobRecord, { clientId, by, event }: AppendRequest, at_ms: number): void {
  if (event.kind !== 'closed') return;
  const awaits = event.awaits ?? {
    awaits: 'part',
    what: event.cause.slice(0, 160) || `parts for ${job.plan.site.ref}`,
  };
  const body = { kind: 'parked', ...awaits, due_ms: null } as const;
  addBoardEntry(db, { id: `${clientId}-parked`.slice(-64), boardId: job.boardId, at_ms, by, body });
}

function rowChange(event: AppendRequest['event'], now_ms: number): JobRowChange {
  switch (event.kind) {
    case 'closed':
      return { status: 'closed', outcome: event.outcome, cause: event.cause, closedAt_ms: now_ms };
    case 'resumed':
      return { status: 'running', outcome: null, closedAt_ms: null };
    default:
      return {};
  }
}

const wasClosedBefore = (events: readonly RunEvent[]): boolean => events.some((e) => e.kind === 'closed');

/** No power while a clock of its board says that it is wet; who says that it is dry all the same says why. */
function powerWaits(db: Db, job: JobRecord, event: AppendRequest['event'], now_ms: number): string | null {
  if (event.kind !== 'step-done' || !isSupplyGate(event.stepId) || event.passed?.kind === 'override')
    return null;
  const [runs] = against(clocksKept(db, job.boardId), 'power', now_ms);
  return runs
    ? `no power yet: ${clockInWords(runs)} has ${Math.ceil((runs.due_ms - now_ms) / 60_000)} min left. Let it end, or pass the gate with a reason`
    : null;
}

/** A job goes on only while no other is under way on its site. */
function siteTaken(db: Db, job: JobRecord, event: AppendRequest['event']): string | null {
  if (event.kind !== 'resumed') return null;
  return runningJobOf(db, job.siteId) ? 'another job is under way on this site; close that one first' : null;
}
