import type { BoardStanding } from '~/schema/sheets/boardStanding';
import type { Db } from '~/server/store/db';
import { boardEntriesOf } from '~/server/store/repositories/boardEntries';
import { getBoard } from '~/server/store/repositories/boards';
import { openBoard } from './openBoard';

/** Gathers where a board stands now. */
export function boardStanding(db: Db, boardId: string): BoardStanding {
  const board = getBoard(db, boardId);
  const { stage, open, occupancies } = openBoard(db, boardId);
  const entries = boardEntriesOf(db, boardId);
  return { board, stage, open, entries, occupancies: Object.fromEntries(occupancies) };
}
