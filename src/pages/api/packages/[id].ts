import { removeFromLibrary } from '~/server/store/repositories/library';
import { endpoint } from '~/server/http/respond';

export const DELETE = endpoint((context) => {
  return removeFromLibrary(context.locals.db, context.params['id']!);
});
