import { removeFromLibrary } from '~/server/store/repositories/library';
import { endpoint, fromOurPages } from '~/server/http/respond';

export const DELETE = endpoint((context) => {
  fromOurPages(context);
  return removeFromLibrary(context.locals.db, context.params['id']!);
});
