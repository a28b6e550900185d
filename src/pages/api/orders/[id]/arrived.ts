import { orderArrived } from '~/schema/records/parts/partOrder';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { arrive } from '~/server/parts/arrival';

export const POST = endpoint(async (context) =>
  arrive(
    context.locals.db,
    context.params['id']!,
    parseInput(orderArrived, await readJson(context)),
    Date.now(),
  ),
);
