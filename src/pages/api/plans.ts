import { planAsk } from '~/schema/exchange/plan/planAsk';
import { parseInput } from '~/schema/values/faults';
import { readJson, telling } from '~/server/http/respond';
import { planTaskOf } from '~/server/plans/planTask';

/** Asks the planner; each line of the answer is a message of its, until the last. Hanging up gives the job up. */
export const POST = telling(async (context, tell) => {
  const { db, planner } = context.locals;
  const ask = parseInput(planAsk, await readJson(context));
  return planner.ask(planTaskOf(db, ask), (message) => tell(message, message.type !== 'progress'));
});
