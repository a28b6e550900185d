import { removeSiteGroup } from '~/server/repositories/siteGroups';
import { endpoint, fromOurPages } from '~/server/respond';

export const DELETE = endpoint((context) => {
  fromOurPages(context);
  return removeSiteGroup(context.locals.db, context.params['id']!, context.params['groupId']!);
});
