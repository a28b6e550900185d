import {
  and,
  asc,
  between,
  count,
  desc,
  eq,
  gt,
  isNotNull,
  isNull,
  like,
  ne,
  or,
  sql,
  type SQL,
} from 'drizzle-orm';
import type { PartState } from '~/core/electrical/parts/stock';
import {
  partMove,
  partReading,
  stockPartRecord,
  type NewPartMove,
  type NewStockPart,
  type PartMove,
  type PartReading,
  type StockPart,
  type StockPartChange,
} from '~/schema/records/parts/stockPart';
import { partMoves, partReadings, stockParts } from '~/schema/records/parts/stockPart.table';
import { boards } from '~/schema/records/board/board.table';
import { sites } from '~/schema/records/site/site.table';
import { partOfInput, type PartInput } from '~/schema/exchange/parts/part';
import { partInWords, searchedWords } from '~/schema/words/partWords';
import type { Db } from '../db';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

type Row = typeof stockParts.$inferSelect;

const lineOf = ({ kind: _kind, words: _words, value: _value, left, ...row }: Row): StockPart => ({
  ...stockPartRecord.parse(row),
  count: left,
});

/** As they stand in drawers: kind by kind, the least first. */
const BY_VALUE = [asc(stockParts.kind), asc(stockParts.value), asc(stockParts.words)] as const;

/** Signs that a pattern would take for its own. */
const literal = (word: string): string => word.replace(/[\\%_]/g, (sign) => `\\${sign}`);

/** Lines that have every word that was typed, by their words; all of them for nothing typed. */
export function findParts(db: Db, typed: string, most: number): { lines: StockPart[]; of: number } {
  const wanted = typed
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word): SQL => sql`${like(stockParts.words, `%${literal(word)}%`)} escape '\\'`);
  const matching = wanted.length > 0 ? and(...wanted) : undefined;
  const lines = db
    .select()
    .from(stockParts)
    .where(matching)
    .orderBy(...BY_VALUE)
    .limit(most)
    .all()
    .map(lineOf);
  const of =
    lines.length < most
      ? lines.length
      : db.select({ count: count() }).from(stockParts).where(matching).get()!.count;
  return { lines, of };
}

/** Beyond so many times a value, either way, nothing stands for it, alone or with another. */
const FAR_TIMES = 20;

/**
 * Lines of a kind that may be fitted, or that are held, and of which there are any; of those that are told by a value, all about
 * one.
 */
export function partsOfKind(
  db: Db,
  kind: string,
  value: number | undefined,
  most: number,
  state: Exclude<PartState, 'rejected'> = 'released',
): StockPart[] {
  const about =
    value === undefined
      ? undefined
      : or(isNull(stockParts.value), between(stockParts.value, value / FAR_TIMES, value * FAR_TIMES));
  return db
    .select()
    .from(stockParts)
    .where(and(eq(stockParts.kind, kind), eq(stockParts.state, state), gt(stockParts.left, 0), about))
    .orderBy(...BY_VALUE)
    .limit(most)
    .all()
    .map(lineOf);
}

/** A line of just such a part that more of may be put to, whatever is left of it; null where there is none. */
export function lineLike(db: Db, part: PartInput): StockPart | null {
  const value = partOfInput(part).value;
  const rows = db
    .select()
    .from(stockParts)
    .where(
      and(
        eq(stockParts.kind, part.kind),
        ne(stockParts.state, 'rejected'),
        value === undefined ? isNull(stockParts.value) : eq(stockParts.value, value),
      ),
    )
    .orderBy(desc(stockParts.left))
    .all();
  const row = rows.find((r) => partInWords(r.part) === partInWords(part));
  return row ? lineOf(row) : null;
}

/** Lines with fewer than their mark. */
export const partsRunningLow = (db: Db): StockPart[] =>
  db
    .select()
    .from(stockParts)
    .where(and(sql`${stockParts.left} < ${stockParts.low}`, ne(stockParts.state, 'rejected')))
    .orderBy(...BY_VALUE)
    .limit(MOST_LOW)
    .all()
    .map(lineOf);

/** An order of more lines than this is made in parts. */
const MOST_LOW = 200;

/** Every line, as they stand in drawers. */
export const allParts = (db: Db): StockPart[] =>
  db
    .select()
    .from(stockParts)
    .orderBy(...BY_VALUE)
    .all()
    .map(lineOf);

export function getPart(db: Db, id: string): StockPart {
  const row = db.select().from(stockParts).where(eq(stockParts.id, id)).get();
  if (!row) throw new NotFound('part', id);
  return lineOf(row);
}

export function addPart(
  db: Db,
  { count: there, by, ...line }: NewStockPart,
  at_ms: number,
  id = newId('part'),
): StockPart {
  return db.transaction(() => {
    db.insert(stockParts)
      .values({ ...line, ...foundBy(line), id, left: there, revision: 1 })
      .run();
    if (there > 0)
      db.insert(partMoves)
        .values({ id: `${id}-first`, partId: id, change: there, reason: 'counted', siteId: null, by, at_ms })
        .run();
    return getPart(db, id);
  });
}

/** Changes a line if nobody else has meanwhile. */
export function changePart(db: Db, id: string, { revision, ...line }: StockPartChange): StockPart {
  const done = db
    .update(stockParts)
    .set({ ...line, ...foundBy(line), revision: revision + 1 })
    .where(and(eq(stockParts.id, id), eq(stockParts.revision, revision)))
    .run();
  const now = getPart(db, id);
  if (done.changes === 1) return now;
  throw new Conflict('another screen has changed this part; this one now shows how it stands', { now });
}

const foundBy = ({ part, drawer, batch }: Pick<NewStockPart, 'part' | 'drawer' | 'batch'>) => ({
  kind: part.kind,
  value: partOfInput(part).value ?? null,
  words: searchedWords(part, drawer, batch),
});

/** Appends a move, and keeps what is left beside it. No more goes than there is. */
export function movePart(
  db: Db,
  id: string,
  move: NewPartMove,
  at_ms: number,
  moveId = newId('move'),
): StockPart {
  return db.transaction(() => {
    const { count: left } = getPart(db, id);
    const { reason, amount, siteId, by } = move;
    const change =
      reason === 'counted'
        ? amount - left
        : reason === 'bought' || reason === 'from-donor'
          ? amount
          : -Math.min(amount, left);
    db.insert(partMoves).values({ id: moveId, partId: id, change, reason, siteId, by, at_ms }).run();
    db.update(stockParts)
      .set({ left: left + change })
      .where(eq(stockParts.id, id))
      .run();
    return getPart(db, id);
  });
}

export const keepReading = (db: Db, reading: PartReading): void =>
  void db.insert(partReadings).values(reading).run();

/** A part that was fitted on a site, newest first. */
export interface FittedPart {
  readonly move: PartMove;
  readonly line: StockPart;
}

export const fittedOn = (db: Db, siteId: string): FittedPart[] => movesAt(db, siteId, 'fitted');

/** Every part that was fitted on a site, out of which line and when. */
export const partsFitted = (db: Db): { partId: string; siteId: string; at_ms: number }[] =>
  db
    .select({ partId: partMoves.partId, siteId: partMoves.siteId, at_ms: partMoves.at_ms })
    .from(partMoves)
    .where(and(eq(partMoves.reason, 'fitted'), isNotNull(partMoves.siteId)))
    .all()
    .map(({ siteId, ...move }) => ({ ...move, siteId: siteId! }));

/** What a site gave to the drawers, newest first. */
export const givenFrom = (db: Db, siteId: string): FittedPart[] => movesAt(db, siteId, 'from-donor');

const movesAt = (db: Db, siteId: string, reason: PartMove['reason']): FittedPart[] =>
  db
    .select({ move: partMoves, line: stockParts })
    .from(partMoves)
    .innerJoin(stockParts, eq(partMoves.partId, stockParts.id))
    .where(and(eq(partMoves.siteId, siteId), eq(partMoves.reason, reason)))
    .orderBy(desc(partMoves.at_ms))
    .limit(MOST_FITTED)
    .all()
    .map(({ move, line }) => ({ move: partMove.parse(move), line: lineOf(line) }));

/** Where parts of a line went: what else got one of its batch. */
export interface WentTo {
  readonly siteId: string;
  readonly ref: string;
  readonly boardId: string;
  readonly board: string;
  readonly at_ms: number;
}

export const sitesWithPart = (db: Db, partId: string): WentTo[] => sitesMoved(db, partId, 'fitted');

/** The site that parts of a line came off. */
export const donorsOfPart = (db: Db, partId: string): WentTo[] => sitesMoved(db, partId, 'from-donor');

const sitesMoved = (db: Db, partId: string, reason: PartMove['reason']): WentTo[] =>
  db
    .select({
      siteId: sites.id,
      ref: sites.ref,
      boardId: boards.id,
      board: boards.name,
      at_ms: partMoves.at_ms,
    })
    .from(partMoves)
    .innerJoin(sites, eq(partMoves.siteId, sites.id))
    .innerJoin(boards, eq(sites.boardId, boards.id))
    .where(and(eq(partMoves.partId, partId), eq(partMoves.reason, reason)))
    .orderBy(desc(partMoves.at_ms))
    .limit(MOST_FITTED)
    .all();

/** Longer lists than this nobody reads. */
const MOST_FITTED = 200;

/** The last moves and readings of a line, newest first. */
export function historyOfPart(
  db: Db,
  id: string,
  most: number,
): { moves: PartMove[]; readings: PartReading[] } {
  return {
    moves: db
      .select()
      .from(partMoves)
      .where(eq(partMoves.partId, id))
      .orderBy(desc(partMoves.at_ms))
      .limit(most)
      .all()
      .map((row) => partMove.parse(row)),
    readings: db
      .select()
      .from(partReadings)
      .where(eq(partReadings.partId, id))
      .orderBy(desc(partReadings.at_ms))
      .limit(most)
      .all()
      .map((row) => partReading.parse(row)),
  };
}
