import { orderCsv } from '~/server/parts/orderCsv';
import { fileAnswer } from '~/server/http/respond';
import { getOrder } from '~/server/store/repositories/partOrders';

/** An order's lines as a table. */
export const GET = fileAnswer(({ locals, params }) => {
  const order = getOrder(locals.db, params['id']!);
  return { type: 'text/csv; charset=utf-8', name: `order-${order.id}.csv`, body: orderCsv(locals.db, order) };
});
