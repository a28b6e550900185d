import { parseInput } from '~/schema/values/faults';
import { acceptPlan } from '~/schema/records/jobs/job';
import { acceptJob } from '~/server/jobs/acceptance';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const accepted = parseInput(acceptPlan, await readJson(context));
  const { job } = await acceptJob(context.locals.db, accepted, Date.now);
  return { jobId: job.id };
}, 201);
