import { parseInput } from '~/schema/values/faults';
import { newTool } from '~/schema/records/rig/tool';
import { addTool } from '~/server/store/repositories/tools';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const tool = parseInput(newTool, await readJson(context));
  return addTool(context.locals.db, tool);
}, 201);
