import { newPartReading } from '~/schema/records/parts/stockPart';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { judgePart } from '~/server/parts/judgePart';

export const POST = endpoint(async (context) => {
  const { reading, by } = parseInput(newPartReading, await readJson(context));
  return judgePart(context.locals.db, context.params['id']!, reading, by, Date.now());
}, 201);
