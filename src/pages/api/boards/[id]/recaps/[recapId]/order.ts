import { kitOrder } from '~/schema/records/parts/kitOrder';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { orderShort } from '~/server/parts/kitOrder';

export const POST = endpoint(async (context) => {
  const { id, recapId } = context.params;
  const order = parseInput(kitOrder, await readJson(context));
  return orderShort(context.locals.db, id!, recapId!, order, Date.now());
}, 201);
