import { clockOf } from '~/core/record/clock';
import { runState } from '~/core/record/runState';
import type { Rail, RailLine } from '~/schema/sheets/rail';
import type { Db } from '~/server/store/db';
import { findBoards } from '~/server/store/repositories/boards';
import { runningJobs } from '~/server/store/repositories/jobs';

/** Every job under way, running clocks first and the nearest end on top. */
export function railOf(db: Db, now_ms: number): Rail {
  const running = runningJobs(db);
  const names = new Map(
    findBoards(
      db,
      running.map(({ job }) => job.boardId),
    ).map((b) => [b.id, b.name]),
  );
  const lines = running.map(({ job, events }) => {
    const { steps } = job.plan;
    const state = runState(steps, events);
    return {
      jobId: job.id,
      boardName: names.get(job.boardId) ?? '',
      siteRef: job.plan.site.ref,
      step: steps[state.stepIndex]?.title ?? 'Close the job',
      clock: clockOf(state, steps),
    };
  });
  const due = (line: RailLine): number => line.clock?.due_ms ?? Infinity;
  return { now_ms, lines: lines.sort((a, b) => due(a) - due(b)) };
}
