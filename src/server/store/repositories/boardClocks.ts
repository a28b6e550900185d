import { asc, eq, isNull } from 'drizzle-orm';
import type { BoardClock } from '~/core/record/boardClock';
import { boardClockRow, type BoardClockRow } from '~/schema/records/board/boardClock';
import { boardClocks } from '~/schema/records/board/boardClock.table';
import type { Db } from '../db';
import { ready } from '../ready';

/** More clocks than this at once are not shown. */
const MOST_RUNNING = 500;

const running = ready((db) =>
  db
    .select()
    .from(boardClocks)
    .where(isNull(boardClocks.ended_ms))
    .orderBy(asc(boardClocks.due_ms))
    .limit(MOST_RUNNING)
    .prepare(),
);

/** Every clock that was not ended, nearest first. */
export const runningClocks = (db: Db): BoardClockRow[] =>
  running(db)
    .all()
    .map((row) => boardClockRow.parse(row));

/** Every clock that a board has had. */
export const clocksKept = (db: Db, boardId: string): BoardClockRow[] =>
  db
    .select()
    .from(boardClocks)
    .where(eq(boardClocks.boardId, boardId))
    .orderBy(asc(boardClocks.due_ms))
    .all()
    .map((row) => boardClockRow.parse(row));

/** A clock as an entry left it. */
export function keepClock(db: Db, boardId: string, clock: BoardClock): void {
  const { due_ms, ended_ms } = clock;
  db.insert(boardClocks)
    .values({ ...clock, boardId })
    .onConflictDoUpdate({ target: boardClocks.id, set: { due_ms, ended_ms } })
    .run();
}
