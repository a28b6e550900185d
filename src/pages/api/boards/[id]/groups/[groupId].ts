import { removeSiteGroup } from '~/server/store/repositories/siteGroups';
import { endpoint } from '~/server/http/respond';

export const DELETE = endpoint((context) => {
  return removeSiteGroup(context.locals.db, context.params['id']!, context.params['groupId']!);
});
