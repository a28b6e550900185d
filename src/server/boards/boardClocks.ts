import { clockKindOf, clocksOfJob, withClockEntry, type ClockEntryBody } from '~/core/record/boardClock';
import { clockOf } from '~/core/record/clock';
import type { RunState } from '~/core/record/runState';
import type { JobRecord } from '~/schema/records/jobs/job';
import type { BoardEntryRow } from '~/schema/records/board/boardEntry';
import type { Db } from '~/server/store/db';
import { clocksKept, keepClock } from '~/server/store/repositories/boardClocks';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';

type ClockRow = Omit<BoardEntryRow, 'body'> & { readonly body: ClockEntryBody };

/** Writes an entry of a clock and what it leaves of it, for use within a transaction; one sent before is left alone. */
export function enterClock(db: Db, row: ClockRow): void {
  if (!addBoardEntry(db, row)) return;
  const { id, at_ms, boardId, body } = row;
  const known = clocksKept(db, boardId);
  const named = body.kind === 'clock-started' ? id : body.clockId;
  for (const clock of withClockEntry(known, { ...body, id, at_ms }))
    if (clock.id === named) keepClock(db, boardId, clock);
}

/** Starts the clock of the wait that a job has come to, and ends those that it has left. */
export function followJob(
  db: Db,
  job: JobRecord,
  state: RunState,
  { clientId, by, at_ms }: { readonly clientId: string; readonly by: string; readonly at_ms: number },
): void {
  const { steps } = job.plan;
  const step = steps[state.stepIndex];
  const waits = clockOf(state, steps);
  const wait =
    step && waits?.kind === 'wait'
      ? {
          kind: clockKindOf(step.id),
          stepId: step.id,
          length_s: (waits.due_ms - waits.started_ms) / 1000,
          from_ms: waits.started_ms,
        }
      : null;
  const begun = clocksKept(db, job.boardId).filter((c) => c.jobId === job.id);
  const { start, end } = clocksOfJob({ status: state.status, wait }, begun);
  const enter = (key: string, body: ClockEntryBody): void =>
    enterClock(db, { id: `${clientId}-${key}`.slice(-64), boardId: job.boardId, at_ms, by, body });
  for (const [i, { id, due_ms }] of end.entries())
    enter(`end${i}`, { kind: 'clock-ended', clockId: id, reason: due_ms > at_ms ? 'the job went on' : '' });
  if (start)
    enter('clock', {
      kind: 'clock-started',
      clock: start.kind,
      what: '',
      siteId: job.siteId,
      jobId: job.id,
      stepId: start.stepId,
      length_s: start.length_s,
    });
}
