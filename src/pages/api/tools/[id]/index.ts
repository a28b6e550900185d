import { parseInput } from '~/schema/values/faults';
import { toolChange } from '~/schema/records/rig/tool';
import { changeTool } from '~/server/store/repositories/tools';
import { endpoint, readJson } from '~/server/http/respond';

export const PATCH = endpoint(async (context) => {
  const change = parseInput(toolChange, await readJson(context));
  return changeTool(context.locals.db, context.params['id']!, change);
});
