import type { BoardStanding } from '~/schema/sheets/boardStanding';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { openBoard } from './openBoard';

/** Where a board stands, as its page takes it; `read` is what was read of it already. */
export function boardStanding(db: Db, boardId: string, read = openBoard(db, boardId)): BoardStanding {
  const { stage, open, entries, occupancies } = read;
  return { board: getBoard(db, boardId), stage, open, entries, occupancies: Object.fromEntries(occupancies) };
}
