import { asc, count, desc, eq, inArray, ne, sql } from 'drizzle-orm';
import { boardRecord, type BoardChange, type BoardRecord, type NewBoard } from '~/schema/records/board/board';
import type { WaitingFor } from '~/core/record/waiting';
import type { Outcome } from '~/core/record/outcomes';
import { boards } from '~/schema/records/board/board.table';
import type { Db } from '../db';
import { ready } from '../ready';
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

/** Every board by its name, and since when it is here. */
export const boardsNamed = (db: Db): Pick<BoardRecord, 'id' | 'name' | 'createdAt_ms'>[] =>
  db.select({ id: boards.id, name: boards.name, createdAt_ms: boards.createdAt_ms }).from(boards).all();

/** What a line of the bench is drawn from. */
export type BenchLine = Pick<
  BoardRecord,
  'id' | 'name' | 'owner' | 'fault' | 'waitingFor' | 'nextAction' | 'outcome'
>;

const { id, name, owner, fault, waitingFor, nextAction, outcome } = boards;
const lines = (db: Db) => db.select({ id, name, owner, fault, waitingFor, nextAction, outcome }).from(boards);
/** Booked in at the same moment, they keep an order all the same: a page follows another. */
const LATEST_FIRST = [desc(boards.createdAt_ms), desc(boards.id)] as const;

/** Boards that wait for one thing, the latest booked in first: so many of them, after the first `from`. */
export const waitingLines = (db: Db, waits: WaitingFor, from: number, most: number): BenchLine[] =>
  lines(db)
    .where(eq(waitingFor, waits))
    .orderBy(...LATEST_FIRST)
    .limit(most)
    .offset(from)
    .all();

/** Lines of boards by their ids, the latest booked in first. */
export const linesOf = (db: Db, ids: readonly string[]): BenchLine[] =>
  lines(db)
    .where(inArray(id, [...ids]))
    .orderBy(...LATEST_FIRST)
    .all();

/** How many boards wait for what. */
export const waitingCounts = (db: Db): Readonly<Partial<Record<WaitingFor, number>>> =>
  Object.fromEntries(
    db
      .select({ waitingFor, n: count() })
      .from(boards)
      .groupBy(waitingFor)
      .all()
      .map((row) => [row.waitingFor, row.n]),
  );

/** Boards that are not closed, by id: read without their rows being understood. */
export const openBoardIds = (db: Db): string[] =>
  db
    .select({ id: boards.id })
    .from(boards)
    .where(ne(boards.waitingFor, 'closed'))
    .all()
    .map(({ id }) => id);

/** The rules by which rows say what boards wait for; the file itself keeps their number, and a copy of it does. */
export const rulesOf = (db: Db): number => db.$client.pragma('user_version', { simple: true }) as number;
export const keepRules = (db: Db, rules: number): void => void db.$client.pragma(`user_version = ${rules}`);

/** What statistics sort boards by, by their ids; of all of them at once. */
export const boardsTold = (
  db: Db,
): ReadonlyMap<string, { boardName: string; madeIn: number | null; laminate: string; layers: number }> =>
  new Map(
    db
      .select({
        id: boards.id,
        boardName: boards.name,
        madeIn: boards.madeIn,
        construction: boards.construction,
      })
      .from(boards)
      .all()
      .map(({ id, boardName, madeIn, construction: { laminate, copperLayers } }) => [
        id,
        { boardName, madeIn, laminate, layers: copperLayers.length },
      ]),
  );

export function findBoards(db: Db, ids: readonly string[]): BoardRecord[] {
  if (ids.length === 0) return [];
  return db
    .select()
    .from(boards)
    .where(inArray(boards.id, [...ids]))
    .all()
    .map((row) => boardRecord.parse(row));
}

const byId = ready((db) =>
  db
    .select()
    .from(boards)
    .where(eq(boards.id, sql.placeholder('id')))
    .prepare(),
);

export function getBoard(db: Db, id: string): BoardRecord {
  const row = byId(db).get({ id });
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

/** Says what a board waits for now. Its revision is of what people tell of it, and stays: nobody's form is stale for this. */
export function setWaiting(
  db: Db,
  id: string,
  change: { waitingFor: WaitingFor; nextAction: string; outcome?: Outcome | null },
): void {
  db.update(boards).set(change).where(eq(boards.id, id)).run();
}
