import { compared } from '~/server/memory/contents';
import { endpoint } from '~/server/http/respond';

/** Where these contents differ from others of the site. */
export const GET = endpoint((context) => {
  const { id, dumpId } = context.params;
  return compared(context.locals.db, id!, dumpId!, context.url.searchParams.get('other') ?? '');
});
