import type { OrderArrived, PartOrderRow } from '~/schema/records/parts/partOrder';
import { restate } from '~/server/boards/restate';
import type { Db } from '~/server/store/db';
import { addBoardEntry, boardEntriesOf } from '~/server/store/repositories/boardEntries';
import { endOrder } from '~/server/store/repositories/partOrders';
import { newId } from '~/server/store/ids';
import { addPart, changePart, getPart } from '~/server/store/repositories/stockParts';
import { stageOf } from '~/core/record/boardEntries';

/**
 * An order came: each line of it is a batch of its own in the drawer of the one it was ordered for, held until it was tested, and
 * boards that were parked for a part go on. All of it or nothing.
 */
export function arrive(
  db: Db,
  id: string,
  { received, by, revision }: OrderArrived,
  at_ms: number,
): PartOrderRow {
  return db.transaction(() => {
    const order = endOrder(db, id, 'arrived', revision, at_ms);
    for (const { partId, count, batch } of received) {
      if (count === 0) continue;
      const { id: _id, revision: was, count: _left, ...old } = getPart(db, partId);
      const because = `came from ${order.supplier}, not tested yet`.slice(0, 200);
      addPart(db, { ...old, batch, count, state: 'held', because, by }, at_ms, newId('part'));
      // The mark under which more is ordered goes with what came last.
      changePart(db, partId, { ...old, low: 0, revision: was });
    }
    for (const boardId of order.boards) {
      const stage = stageOf(boardEntriesOf(db, boardId));
      if (stage.is !== 'parked' || stage.entry.awaits !== 'part') continue;
      addBoardEntry(db, { id: `${id}-${boardId}`.slice(-64), boardId, at_ms, by, body: { kind: 'resumed' } });
      restate(db, boardId);
    }
    return order;
  });
}
