import { parseInput } from '~/schema/values/faults';
import { newSiteGroup } from '~/schema/records/board/siteGroup';
import { addSiteGroup } from '~/server/store/repositories/siteGroups';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const group = parseInput(newSiteGroup, await readJson(context));
  return addSiteGroup(context.locals.db, context.params['id']!, group);
}, 201);
