import { parseInput } from '~/schema/values/faults';
import { planTask } from '~/schema/exchange/plan/planTask';
import { LARGEST_PLAN_bytes, readJson, telling } from '~/server/http/respond';

/** Asks the planner; each line of the answer is a message of its, until the last. Hanging up gives the job up. */
export const POST = telling(async (context, tell) => {
  const task = parseInput(planTask, await readJson(context, LARGEST_PLAN_bytes));
  return context.locals.planner.ask(task, (message) => tell(message, message.type !== 'progress'));
});
