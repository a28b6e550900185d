import { and, asc, desc, eq, ne } from 'drizzle-orm';
import { partOrderRow, type NewPartOrder, type PartOrderRow } from '~/schema/records/parts/partOrder';
import { partOrders } from '~/schema/records/parts/partOrder.table';
import type { Db } from '../db';
import { Conflict, NotFound } from '../errors';
import { newId } from '../ids';

/** Orders that are over, so many of the last. */
const MOST_PAST = 20;

/** What is on its way, the nearest first, and what came last. */
export const listOrders = (db: Db): PartOrderRow[] =>
  [
    ...db
      .select()
      .from(partOrders)
      .where(eq(partOrders.state, 'ordered'))
      .orderBy(asc(partOrders.expected_ms), asc(partOrders.at_ms))
      .all(),
    ...db
      .select()
      .from(partOrders)
      .where(ne(partOrders.state, 'ordered'))
      .orderBy(desc(partOrders.ended_ms))
      .limit(MOST_PAST)
      .all(),
  ].map((row) => partOrderRow.parse(row));

export function getOrder(db: Db, id: string): PartOrderRow {
  const row = db.select().from(partOrders).where(eq(partOrders.id, id)).get();
  if (!row) throw new NotFound('order', id);
  return partOrderRow.parse(row);
}

export function addOrder(db: Db, order: NewPartOrder, at_ms: number, id = newId('order')): PartOrderRow {
  db.insert(partOrders)
    .values({ ...order, id, state: 'ordered', at_ms, ended_ms: null, revision: 1 })
    .run();
  return getOrder(db, id);
}

/** Ends an order that nobody ended or changed since it was read. */
export function endOrder(
  db: Db,
  id: string,
  state: 'arrived' | 'cancelled',
  revision: number,
  at_ms: number,
): PartOrderRow {
  const done = db
    .update(partOrders)
    .set({ state, ended_ms: at_ms, revision: revision + 1 })
    .where(and(eq(partOrders.id, id), eq(partOrders.revision, revision), eq(partOrders.state, 'ordered')))
    .run();
  const now = getOrder(db, id);
  if (done.changes === 1) return now;
  throw new Conflict('this order was ended or changed on another screen; it now stands as it is there', {
    now,
  });
}
