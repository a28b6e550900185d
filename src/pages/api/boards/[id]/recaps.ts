import { parseInput } from '~/schema/values/faults';
import { newRecap } from '~/schema/records/jobs/recap';
import { keepRecap } from '~/server/store/repositories/recaps';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const given = parseInput(newRecap, await readJson(context));
  return keepRecap(context.locals.db, context.params['id']!, given, Date.now());
}, 201);
