import { and, desc, eq, ne, sql } from 'drizzle-orm';
import { boards } from '~/schema/records/board/board.table';
import { recapRecord, type NewRecap, type RecapRecord } from '~/schema/records/jobs/recap';
import { recaps } from '~/schema/records/jobs/recap.table';
import type { Round } from '~/core/record/round';
import type { Db } from '../db';
import { ready } from '../ready';
import { lastWrittenFirst } from '../order';
import { NotFound } from '../errors';
import { newId } from '../ids';
import { InputError } from '~/schema/values/faults';
import { getBoard } from './boards';
import { sitesOf } from './sites';

/** Whole-board jobs of a board that were kept, newest first. */
export const recapsOf = (db: Db, boardId: string): RecapRecord[] =>
  db
    .select()
    .from(recaps)
    .where(eq(recaps.boardId, boardId))
    .orderBy(lastWrittenFirst(recaps))
    .all()
    .map((row) => recapRecord.parse(row));

/** The whole-board job that was decided on last, without its plan; null where there is none. */
export const newestRecap = (db: Db, boardId: string): Round | null => newest(db).get({ boardId }) ?? null;

const newest = ready((db) =>
  db
    .select({ id: recaps.id, siteIds: recaps.siteIds, at_ms: recaps.at_ms })
    .from(recaps)
    .where(eq(recaps.boardId, sql.placeholder('boardId')))
    .orderBy(lastWrittenFirst(recaps))
    .limit(1)
    .prepare(),
);

/** A whole board's job by its name, and the board it is of. */
export interface KeptRecap {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly at_ms: number;
  readonly boardId: string;
  readonly board: string;
  readonly places: number;
}

/** Whole boards' jobs that were kept, of boards that are still here, the newest first, so many. */
export const keptRecaps = (db: Db, most: number): KeptRecap[] =>
  db
    .select({
      id: recaps.id,
      name: recaps.name,
      by: recaps.by,
      at_ms: recaps.at_ms,
      siteIds: recaps.siteIds,
      boardId: boards.id,
      board: boards.name,
    })
    .from(recaps)
    .innerJoin(boards, eq(recaps.boardId, boards.id))
    .where(ne(boards.waitingFor, 'closed'))
    .orderBy(desc(recaps.at_ms))
    .limit(most)
    .all()
    .map(({ siteIds, ...recap }) => ({ ...recap, places: siteIds.length }));

export function getRecap(db: Db, boardId: string, id: string): RecapRecord {
  const row = db
    .select()
    .from(recaps)
    .where(and(eq(recaps.id, id), eq(recaps.boardId, boardId)))
    .get();
  if (!row) throw new NotFound('whole board', id);
  return recapRecord.parse(row);
}

/** Keeps a whole-board job; every site of it must be the board's. */
export function keepRecap(
  db: Db,
  boardId: string,
  given: NewRecap,
  now_ms: number,
  id = newId('recap'),
): RecapRecord {
  getBoard(db, boardId);
  const known = new Set(sitesOf(db, boardId).map((site) => site.id));
  const stray = given.siteIds.findIndex((siteId) => !known.has(siteId));
  if (stray >= 0) {
    throw new InputError([
      { path: `$.siteIds[${stray}]`, message: 'is no site of this board; reload and choose again' },
    ]);
  }
  const record: RecapRecord = { ...given, id, boardId, at_ms: now_ms };
  db.insert(recaps).values(record).run();
  return record;
}
