import { parseInput } from '~/schema/values/faults';
import { acceptPlan } from '~/schema/records/jobs/job';
import { acceptJob } from '~/server/jobs/acceptance';
import { asked } from '~/server/plans/planner/asked';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const accepted = parseInput(acceptPlan, await readJson(context));
  const { db, planner, draws } = context.locals;
  const { job } = await acceptJob(
    db,
    accepted,
    (input, choices) => asked(planner, { kind: 'explore', input, choices }),
    Date.now,
  );
  // What its run learns by is drawn after the answer.
  setImmediate(() => draws.of(job.id));
  return { jobId: job.id };
}, 201);
