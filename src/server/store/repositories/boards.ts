import { asc, desc, eq, inArray, ne, sql } from 'drizzle-orm';
import { boardRecord, type BoardChange, type BoardRecord, type NewBoard } from '~/schema/records/board/board';
import type { WaitingFor } from '~/core/record/waiting';
import type { Outcome } from '~/core/record/outcomes';
import { boards } from '~/schema/records/board/board.table';
import type { Db } from '../db';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

export function listBoards(db: Db, limit = 1000): BoardRecord[] {
  const waitingFirst = sql`case ${boards.waitingFor} when 'closed' then 1 else 0 end`;
  return db
    .select()
    .from(boards)
    .orderBy(asc(waitingFirst), desc(boards.createdAt_ms))
    .limit(limit)
    .all()
    .map((row) => boardRecord.parse(row));
}

/** Boards that are not closed, by id: read without their rows being understood. */
export const openBoardIds = (db: Db): string[] =>
  db
    .select({ id: boards.id })
    .from(boards)
    .where(ne(boards.waitingFor, 'closed'))
    .all()
    .map(({ id }) => id);

export function findBoards(db: Db, ids: readonly string[]): BoardRecord[] {
  if (ids.length === 0) return [];
  return db
    .select()
    .from(boards)
    .where(inArray(boards.id, [...ids]))
    .all()
    .map((row) => boardRecord.parse(row));
}

export function getBoard(db: Db, id: string): BoardRecord {
  const row = db.select().from(boards).where(eq(boards.id, id)).get();
  if (!row) throw new NotFound('board', id);
  return boardRecord.parse(row);
}

export const hasBoard = (db: Db, id: string): boolean =>
  db.select({ id: boards.id }).from(boards).where(eq(boards.id, id)).get() !== undefined;

export function addBoard(db: Db, board: NewBoard, now_ms: number, id = newId('brd')): BoardRecord {
  const record: BoardRecord = {
    ...board,
    id,
    waitingFor: 'you',
    nextAction: 'Place the site to work on',
    outcome: null,
    createdAt_ms: now_ms,
    revision: 1,
  };
  db.insert(boards).values(record).run();
  return record;
}

/** Writes what is told of a board; refused when it has changed since it was read. */
export function changeBoard(db: Db, id: string, { revision, ...told }: BoardChange): BoardRecord {
  return db.transaction((tx) => {
    const now = getBoard(db, id);
    if (now.revision !== revision) {
      throw new Conflict(
        `${now.name} was changed on another screen since you opened it; nothing of yours was written`,
        now,
      );
    }
    tx.update(boards)
      .set({ ...told, revision: revision + 1 })
      .where(eq(boards.id, id))
      .run();
    return getBoard(db, id);
  });
}

/** Says what a board waits for now; every such change raises its revision. */
export function setWaiting(
  db: Db,
  id: string,
  change: { waitingFor: WaitingFor; nextAction: string; outcome?: Outcome | null },
): void {
  db.update(boards)
    .set({ ...change, revision: sql`${boards.revision} + 1` })
    .where(eq(boards.id, id))
    .run();
}
