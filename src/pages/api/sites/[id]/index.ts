import { parseInput } from '~/schema/values/faults';
import { wholeNumber } from '~/schema/values/fields';
import { siteChange } from '~/schema/records/site/site';
import { correctSite } from '~/server/boards/placement';
import { removeSite } from '~/server/store/repositories/sites';
import { endpoint, readJson } from '~/server/http/respond';

export const PATCH = endpoint(async (context) => {
  const change = parseInput(siteChange, await readJson(context));
  return correctSite(context.locals.db, context.params['id']!, change);
});

const revision = wholeNumber(1, 1e9);

export const DELETE = endpoint((context) => {
  const read = parseInput(revision, Number(context.url.searchParams.get('revision') ?? NaN));
  return removeSite(context.locals.db, context.params['id']!, read);
});
