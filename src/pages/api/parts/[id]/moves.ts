import { newPartMove } from '~/schema/records/parts/stockPart';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { movePart } from '~/server/store/repositories/stockParts';

export const POST = endpoint(async (context) => {
  const move = parseInput(newPartMove, await readJson(context));
  return movePart(context.locals.db, context.params['id']!, move, Date.now());
}, 201);
