import { parseInput } from '~/schema/values/faults';
import { newSite } from '~/schema/records/site/site';
import { placeSite } from '~/server/boards/placement';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const site = parseInput(newSite, await readJson(context));
  return placeSite(context.locals.db, context.params['id']!, site);
}, 201);
