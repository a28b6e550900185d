import { newPartOrder, type PartOrderRow } from '~/schema/records/parts/partOrder';
import type { KitOrder } from '~/schema/records/parts/kitOrder';
import { InputError } from '~/schema/values/faults';
import type { Db } from '~/server/store/db';
import { addOrder } from '~/server/store/repositories/partOrders';
import { addPart, lineLike } from '~/server/store/repositories/stockParts';
import { kitSheet, toOrder } from './kitSheet';

/**
 * Orders what a whole board's kit is short of, for its board. What has no line yet gets one that is empty, so that it has a
 * drawer to come into. All of it or nothing.
 */
export function orderShort(
  db: Db,
  boardId: string,
  recapId: string,
  { supplier, expected_ms, by }: KitOrder,
  at_ms: number,
): PartOrderRow {
  return db.transaction(() => {
    const short = kitSheet(db, boardId, recapId, new Date(at_ms).getUTCFullYear()).lines.filter(
      (line) => toOrder(line) > 0,
    );
    if (short.length === 0)
      throw new InputError([
        { path: '$', message: 'is short of nothing that is not on its way; nothing to order' },
      ]);
    const lines = short.map((missing) => {
      const { wanted } = missing;
      const line =
        lineLike(db, wanted) ??
        addPart(
          db,
          { part: wanted, drawer: '', batch: '', count: 0, low: 0, state: 'released', because: '', by },
          at_ms,
        );
      return { partId: line.id, count: toOrder(missing) };
    });
    return addOrder(db, newPartOrder.parse({ supplier, expected_ms, lines, boards: [boardId], by }), at_ms);
  });
}
