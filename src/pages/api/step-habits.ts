import { parseInput } from '~/schema/values/faults';
import { stepHabitChange } from '~/schema/records/jobs/stepHabit';
import { keepHabit } from '~/server/store/repositories/stepHabits';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const change = parseInput(stepHabitChange, await readJson(context));
  return keepHabit(context.locals.db, change, Date.now());
});
