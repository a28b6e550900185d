import { clockOf } from '~/core/record/clock';
import { runState } from '~/core/record/runState';
import type { BenchBoard } from '~/schema/sheets/benchSheet';
import type { Db } from '~/server/store/db';
import { listBoards } from '~/server/store/repositories/boards';
import { runningJobs } from '~/server/store/repositories/jobs';

/** Every board of the shop, each with the end of the clock that it waits for. */
export function benchSheet(db: Db): BenchBoard[] {
  const due = new Map<string, number>();
  for (const { job, events } of runningJobs(db)) {
    const clock = clockOf(runState(job.plan.steps, events), job.plan.steps);
    if (clock) due.set(job.boardId, Math.max(clock.due_ms, due.get(job.boardId) ?? 0));
  }
  return listBoards(db).map((board) => ({ ...board, due_ms: due.get(board.id) ?? null }));
}
