import { kitOf, type Kit, type KitLine, type KitStock } from '~/core/electrical/kit';
import { checkSwap, type SwapAnswer } from '~/core/electrical/swap/check';
import type { Circuit } from '~/core/electrical/swap/rule';
import { partOfInput, type PartInput } from '~/schema/exchange/parts/part';
import type { PartOrderRow } from '~/schema/records/parts/partOrder';
import type { RecapRecord } from '~/schema/records/jobs/recap';
import type { StockPart } from '~/schema/records/parts/stockPart';
import type { KitSheet, KitSheetLine } from '~/schema/sheets/kitSheet';
import { roundStanding } from '~/core/record/round';
import { openBoard } from '~/server/boards/openBoard';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { listOrders } from '~/server/store/repositories/partOrders';
import { getRecap } from '~/server/store/repositories/recaps';
import { sitesOf, type SiteWithPads } from '~/server/store/repositories/sites';
import { fittedOn, lineLike, partsOfKind } from '~/server/store/repositories/stockParts';
import { originalOf } from './originalOf';

/** So many lines of a kind are looked through for each value. */
const MOST_LINES = 400;

/** Gathers what a whole board's job takes out of the drawers. */
export function kitSheet(db: Db, boardId: string, recapId: string, year: number): KitSheet {
  const recap = getRecap(db, boardId, recapId);
  const all = placesOf(db, recap);
  const supplied = new Set(suppliedOf(db, recap));
  const places = all.filter(({ site }) => !supplied.has(site.id));
  const lines = linesFor(db, places);
  const kit = kitOf(
    places.map(({ site, wanted }) => ({ ref: site.ref, part: wanted && partOfInput(wanted) })),
    lines.map(({ id, part, count, drawer }): KitStock => ({ id, part: partOfInput(part), count, drawer })),
    { year },
  );
  const lineOf = new Map(lines.map((line) => [line.id, line]));
  const wantedAt = new Map(places.map(({ site, wanted }) => [site.ref, wanted]));
  const ordered = listOrders(db).filter(
    ({ state, boards }) => state === 'ordered' && boards.includes(boardId),
  );
  const { id, name, by, at_ms } = recap;
  return {
    board: getBoard(db, boardId),
    recap: { id, name, by, at_ms },
    lines: kit.lines.map((line): KitSheetLine => {
      const wanted = wantedAt.get(line.refs[0]!)!;
      const told = (stockId: string, { verdict, checks }: SwapAnswer) => ({
        line: lineOf.get(stockId)!,
        verdict,
        notes: checks.flatMap((c) => (c.verdict === 'fit' ? [] : [c.reason])),
      });
      return {
        refs: line.refs,
        wanted,
        takes: line.takes.map(({ stockId, count, answer }) => ({ count, ...told(stockId, answer) })),
        alternates: line.alternates.map(({ stockId, answer }) => told(stockId, answer)),
        short: line.short,
        ...awaited(line, heldOf(db, wanted, { year }), comingOf(db, ordered, wanted)),
      };
    }),
    order: orderOf(places, kit, lineOf),
    alike: kit.alike.map(({ one, other, why }) => ({
      one: lineOf.get(one)!,
      other: lineOf.get(other)!,
      why,
    })),
    untold: kit.untold,
    supplied: all.flatMap(({ site }) => (supplied.has(site.id) ? [site.ref] : [])),
  };
}

/** Sites that want no part any more: done in this round, or theirs was taken out of its drawer since. */
function suppliedOf(db: Db, recap: RecapRecord): string[] {
  const { jobs, occupancies } = openBoard(db, recap.boardId);
  return roundStanding(recap, jobs, occupancies).sites.flatMap(({ siteId, status }) =>
    status === 'done' || fittedOn(db, siteId).some(({ move }) => move.at_ms >= recap.at_ms) ? [siteId] : [],
  );
}

interface Place {
  readonly site: SiteWithPads;
  readonly wanted: PartInput | null;
}

/** The sites of a whole board's job in its order, each with what stood there. */
function placesOf(db: Db, { boardId, siteIds }: RecapRecord): Place[] {
  const siteOf = new Map(sitesOf(db, boardId).map((site) => [site.id, site]));
  return siteIds.flatMap((id) => {
    const site = siteOf.get(id);
    return site ? [{ site, wanted: originalOf(site) }] : [];
  });
}

/** Every line that may come into question for one of the places. */
function linesFor(db: Db, places: readonly Place[]): StockPart[] {
  const lines = places.flatMap(({ wanted }) =>
    wanted ? partsOfKind(db, wanted.kind, partOfInput(wanted).value, MOST_LINES) : [],
  );
  return [...new Map(lines.map((line) => [line.id, line])).values()];
}

/** Of what is short, what lies held and what is on its way. */
function awaited({ short }: KitLine, held: number, coming: number): Pick<KitSheetLine, 'held' | 'coming'> {
  const here = Math.min(short, held);
  return { held: here, coming: Math.min(short - here, coming) };
}

/** How many that would do lie in drawers and are held. */
const heldOf = (db: Db, wanted: PartInput, circuit: Circuit): number =>
  partsOfKind(db, wanted.kind, partOfInput(wanted).value, MOST_LINES, 'held')
    .filter(({ part }) => checkSwap(partOfInput(wanted), partOfInput(part), circuit).verdict !== 'do-not-fit')
    .reduce((sum, { count }) => sum + count, 0);

/** How many of what is short nothing is on the way for. */
export const toOrder = ({ short, held, coming }: KitSheetLine): number => short - held - coming;

/** How many like it are on their way for a board. */
function comingOf(db: Db, orders: readonly PartOrderRow[], wanted: PartInput): number {
  const line = lineLike(db, wanted);
  return orders
    .flatMap(({ lines }) => lines)
    .reduce((sum, { partId, count }) => sum + (partId === line?.id ? count : 0), 0);
}

/** Deals what is taken out to the places, in their order. */
function orderOf(
  places: readonly Place[],
  kit: Kit,
  lineOf: ReadonlyMap<string, StockPart>,
): KitSheet['order'] {
  const dealt = (line: KitLine): (StockPart | null)[] =>
    line.takes.flatMap(({ stockId, count }) => Array.from({ length: count }, () => lineOf.get(stockId)!));
  const from = new Map(
    kit.lines.flatMap((line) => {
      const parts = dealt(line);
      return line.refs.map((ref, i) => [ref, parts[i] ?? null] as const);
    }),
  );
  return places.map(({ site: { ref, value } }) => ({ ref, value, from: from.get(ref) ?? null }));
}
