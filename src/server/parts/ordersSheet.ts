import type { OrdersSheet } from '~/schema/sheets/ordersSheet';
import type { Db } from '~/server/store/db';
import { waitingLines } from '~/server/store/repositories/boards';
import { listOrders } from '~/server/store/repositories/partOrders';
import { getPart, partsRunningLow } from '~/server/store/repositories/stockParts';

/** More boards than this are not offered at once. */
const MOST_WAITING = 50;

/** Gathers what the orders are drawn from. */
export function ordersSheet(db: Db): OrdersSheet {
  const orders = listOrders(db);
  const coming = new Set(
    orders.flatMap(({ state, lines }) => (state === 'ordered' ? lines.map(({ partId }) => partId) : [])),
  );
  const named = new Set(orders.flatMap(({ lines }) => lines.map(({ partId }) => partId)));
  return {
    orders,
    lines: [...named].map((id) => getPart(db, id)),
    short: partsRunningLow(db).filter(({ id }) => !coming.has(id)),
    waiting: waitingLines(db, 'parts', 0, MOST_WAITING).map(({ id, name, nextAction }) => ({
      id,
      name,
      next: nextAction,
    })),
  };
}
