import { stockPartChange } from '~/schema/records/parts/stockPart';
import { parseInput } from '~/schema/values/faults';
import { partOfInput } from '~/schema/exchange/parts/part';
import { endpoint, readJson } from '~/server/http/respond';
import {
  changePart,
  donorsOfPart,
  getPart,
  historyOfPart,
  sitesWithPart,
} from '~/server/store/repositories/stockParts';

/** So much of a line's past is shown. */
const MOST = 50;

export const GET = endpoint((context) => {
  const line = getPart(context.locals.db, context.params['id']!);
  const { db } = context.locals;
  return {
    line,
    ...historyOfPart(db, line.id, MOST),
    went: sitesWithPart(db, line.id),
    came: donorsOfPart(db, line.id),
  };
});

export const PATCH = endpoint(async (context) => {
  const change = parseInput(stockPartChange, await readJson(context));
  partOfInput(change.part, '$.part');
  return changePart(context.locals.db, context.params['id']!, change);
});
