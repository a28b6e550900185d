import { endpoint } from '~/server/http/respond';
import { getSite } from '~/server/store/repositories/sites';
import { fittedOn } from '~/server/store/repositories/stockParts';

/** What was fitted on a site out of the drawers, newest first. */
export const GET = endpoint((context) => {
  const { id } = getSite(context.locals.db, context.params['id']!);
  return { fitted: fittedOn(context.locals.db, id) };
});
