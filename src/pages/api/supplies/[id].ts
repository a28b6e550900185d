import { parseInput } from '~/schema/values/faults';
import { wholeNumber } from '~/schema/values/fields';
import { retireSupply } from '~/server/store/repositories/supplies';
import { endpoint } from '~/server/http/respond';

const revision = wholeNumber(1, 1e9);

export const DELETE = endpoint((context) => {
  const read = parseInput(revision, Number(context.url.searchParams.get('revision')));
  return retireSupply(context.locals.db, context.params['id']!, read);
});
