import { asc, count, desc, eq, inArray, ne, sql } from 'drizzle-orm';
import { boardRecord, type BoardChange, type BoardRecord, type NewBoard } from '~/schema/records/board/board';
import type { WaitingFor } from '~/core/record/waiting';
import type { Outcome } from '~/core/record/outcomes';
import { boards } from '~/schema/records/board/board.table';
import type { Db } from '../db';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

/** Every board, those that wait for something first. */
export function listBoards(db: Db, limit = 100_000): BoardRecord[] {
  const waitingFirst = sql`case ${boards.waitingFor} when 'closed' then 1 else 0 end`;
  return db
    .select()
    .from(boards)
    .orderBy(asc(waitingFirst), desc(boards.createdAt_ms))
    .limit(limit)
    .all()
    .map((row) => boardRecord.parse(row));
}

/** What a line of the bench is drawn from. */
export type BenchLine = Pick<
  BoardRecord,
  'id' | 'name' | 'owner' | 'fault' | 'waitingFor' | 'nextAction' | 'outcome'
>;

/** Closed boards are history: the last of them stand on the bench, the others are found by searching. */
const CLOSED_SHOWN = 60;

/** Lines of the bench: all that wait and the last that were closed, or boards by their ids; the latest booked in first. */
export function benchLines(db: Db, which: 'bench' | readonly string[]): BenchLine[] {
  const { id, name, owner, fault, waitingFor, nextAction, outcome } = boards;
  const lines = () => db.select({ id, name, owner, fault, waitingFor, nextAction, outcome }).from(boards);
  const latestFirst = desc(boards.createdAt_ms);
  if (which !== 'bench')
    return lines()
      .where(inArray(id, [...which]))
      .orderBy(latestFirst)
      .all();
  return [
    ...lines().where(ne(waitingFor, 'closed')).orderBy(latestFirst).all(),
    ...lines().where(eq(waitingFor, 'closed')).orderBy(latestFirst).limit(CLOSED_SHOWN).all(),
  ];
}

export const closedCount = (db: Db): number =>
  db.select({ n: count() }).from(boards).where(eq(boards.waitingFor, 'closed')).get()!.n;

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
