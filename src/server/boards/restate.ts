import { waitingOf } from '~/core/record/waiting';
import type { Db } from '~/server/store/db';
import { getBoard, listBoards, setWaiting } from '~/server/store/repositories/boards';
import { openBoard } from './openBoard';

/**
 * Writes on a board's row what it waits for now, read from its whole record. Called within the transaction of every
 * entry that can change it.
 */
export function restate(db: Db, boardId: string): void {
  const { stage, open, jobs, sites } = openBoard(db, boardId);
  const now = waitingOf(stage, open, jobs, sites);
  const board = getBoard(db, boardId);
  if (
    board.waitingFor !== now.waitingFor ||
    board.nextAction !== now.nextAction ||
    board.outcome !== now.outcome
  )
    setWaiting(db, boardId, now);
}

/** Boards whose rows an earlier version wrote say what their record says, before anyone reads them. */
export function restateAll(db: Db): void {
  for (const { id, waitingFor } of listBoards(db))
    if (waitingFor !== 'closed') db.transaction(() => restate(db, id));
}
