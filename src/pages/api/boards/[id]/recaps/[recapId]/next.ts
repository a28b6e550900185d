import { takeUp } from '~/schema/records/jobs/recap';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { takeUp as taken } from '~/server/jobs/round';

/** Takes up the next part of a whole board's job, or the one that is named. */
export const POST = endpoint(async (context) => {
  const asked = parseInput(takeUp, await readJson(context));
  const { id, recapId } = context.params;
  const { db, planner } = context.locals;
  return taken(db, planner, id!, recapId!, asked, Date.now);
}, 201);
