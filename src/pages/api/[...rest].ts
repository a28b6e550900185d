import { endpoint } from '~/server/http/respond';
import { NotFound } from '~/server/store/errors';

/** Whatever no endpoint answers. */
export const ALL = endpoint(({ params }) => {
  throw new NotFound('the address', `/api/${params['rest'] ?? ''}`);
});
