import { newStockPart } from '~/schema/records/parts/stockPart';
import { parseInput } from '~/schema/values/faults';
import { partOfInput } from '~/schema/exchange/parts/part';
import { endpoint, readJson } from '~/server/http/respond';
import { addPart } from '~/server/store/repositories/stockParts';

export const POST = endpoint(async (context) => {
  const line = parseInput(newStockPart, await readJson(context));
  partOfInput(line.part, '$.part');
  return addPart(context.locals.db, line, Date.now());
}, 201);
