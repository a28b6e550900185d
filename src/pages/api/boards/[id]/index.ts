import { boardChange } from '~/schema/records/board/board';
import { parseInput } from '~/schema/values/faults';
import { changeTold } from '~/server/boards/boardChanges';
import { endpoint, readJson } from '~/server/http/respond';

export const PATCH = endpoint(async (context) => {
  const change = parseInput(boardChange, await readJson(context));
  return changeTold(context.locals.db, context.params['id']!, change);
});
