import { parseInput } from '~/schema/values/faults';
import { newContinuityReading } from '~/schema/records/site/continuityReading';
import { takeContinuityReading } from '~/server/checks/checkSheet';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const reading = parseInput(newContinuityReading, await readJson(context));
  return takeContinuityReading(context.locals.db, context.params['id']!, reading, Date.now());
}, 201);
