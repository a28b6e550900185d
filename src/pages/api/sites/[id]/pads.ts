import { parseInput } from '~/schema/values/faults';
import { padChanges } from '~/schema/records/site/padChange';
import { changeCopper } from '~/server/boards/placement';
import { endpoint, readJson } from '~/server/http/respond';

/** A thousand pads with their copper. */
const LARGEST_CHANGE_bytes = 1024 * 1024;

export const PATCH = endpoint(async (context) => {
  const change = parseInput(padChanges, await readJson(context, LARGEST_CHANGE_bytes));
  return changeCopper(context.locals.db, context.params['id']!, change);
});
