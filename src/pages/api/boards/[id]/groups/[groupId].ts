import { removeSiteGroup } from '~/server/store/repositories/siteGroups';
import { endpoint, fromOurPages } from '~/server/http/respond';

export const DELETE = endpoint((context) => {
  fromOurPages(context);
  return removeSiteGroup(context.locals.db, context.params['id']!, context.params['groupId']!);
});
