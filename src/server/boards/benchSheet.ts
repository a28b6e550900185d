import type { BenchBoard } from '~/schema/sheets/benchSheet';
import { jobsUnderWay } from '~/server/jobs/clocks';
import type { Db } from '~/server/store/db';
import { listBoards } from '~/server/store/repositories/boards';

/** Every board of the shop, each with the end of the clock that it waits for. */
export function benchSheet(db: Db): BenchBoard[] {
  const due = new Map<string, number>();
  for (const { boardId, clock } of jobsUnderWay(db))
    if (clock) due.set(boardId, Math.max(clock.due_ms, due.get(boardId) ?? 0));
  return listBoards(db).map((board) => ({ ...board, due_ms: due.get(board.id) ?? null }));
}
