import { clockRefusal } from '~/core/record/boardClock';
import { clocksOf, entryRefusal, isOfClock } from '~/core/record/boardEntries';
import type { NewBoardEntry } from '~/schema/records/board/boardEntry';
import { InputError } from '~/schema/values/faults';
import type { Db } from '~/server/store/db';
import { Conflict } from '~/server/store/errors';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';
import { getBoard } from '~/server/store/repositories/boards';
import type { BoardStanding } from '~/schema/sheets/boardStanding';
import { enterClock } from './boardClocks';
import { boardStanding } from './boardStanding';
import { openBoard } from './openBoard';
import { restate } from './restate';

/** Writes what happened to a board, or was said of a part on it, where its record allows that now. */
export function enterOnBoard(
  db: Db,
  boardId: string,
  { clientId, by, body }: NewBoardEntry,
  now_ms: number,
): BoardStanding {
  return db.transaction(() => {
    getBoard(db, boardId);
    const read = openBoard(db, boardId);
    const { stage, open, sites } = read;
    if (body.kind === 'part' && !sites.some((site) => site.id === body.siteId))
      throw new InputError([{ path: '$.body.siteId', message: 'is no site of this board; reload the page' }]);
    if (body.kind === 'settled' && !open.some((item) => item.key === body.item))
      throw new Conflict(
        'that is not open any more; the list now shows what is',
        boardStanding(db, boardId, read),
      );
    const clocks = clocksOf(read.entries);
    const why =
      entryRefusal(stage, body, open, clocks, now_ms) ??
      (isOfClock(body) ? clockRefusal(clocks, body, now_ms) : null);
    if (why) throw new Conflict(why, boardStanding(db, boardId, read));
    const row = { id: clientId, boardId, at_ms: now_ms, by };
    if (isOfClock(body)) enterClock(db, { ...row, body });
    else addBoardEntry(db, { ...row, body });
    return boardStanding(db, boardId, restate(db, boardId));
  });
}
