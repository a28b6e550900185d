import { parseInput } from '~/schema/values/faults';
import { newRecap } from '~/schema/records/jobs/recap';
import { keepRecap } from '~/server/store/repositories/recaps';
import { endpoint, readJson } from '~/server/http/respond';

/** Two hundred sites with a setting for each half. */
const LARGEST_bytes = 2 * 1024 * 1024;

export const POST = endpoint(async (context) => {
  const given = parseInput(newRecap, await readJson(context, LARGEST_bytes));
  return keepRecap(context.locals.db, context.params['id']!, given, Date.now());
}, 201);
