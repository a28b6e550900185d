import { forgetLesson } from '~/schema/records/rig/benchLesson';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { getTool } from '~/server/store/repositories/tools';

export const POST = endpoint(async (context) => {
  const { tip } = parseInput(forgetLesson, await readJson(context));
  const { id } = getTool(context.locals.db, context.params['id']!);
  context.locals.lessons.forget(id, tip);
  return { forgotten: true };
});
