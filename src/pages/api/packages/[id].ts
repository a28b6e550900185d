import { removeFromLibrary } from '~/server/repositories/library';
import { endpoint, fromOurPages } from '~/server/respond';

export const DELETE = endpoint((context) => {
  fromOurPages(context);
  return removeFromLibrary(context.locals.db, context.params['id']!);
});
