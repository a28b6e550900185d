import { newPartOrder } from '~/schema/records/parts/partOrder';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { addOrder } from '~/server/store/repositories/partOrders';
import { getPart } from '~/server/store/repositories/stockParts';

export const POST = endpoint(async (context) => {
  const { db } = context.locals;
  const order = parseInput(newPartOrder, await readJson(context));
  for (const { partId } of order.lines) getPart(db, partId);
  return addOrder(db, order, Date.now());
}, 201);
