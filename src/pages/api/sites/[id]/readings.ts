import { parseInput } from '~/schema/values/faults';
import { newReading } from '~/schema/records/site/continuityReading';
import { takeReading } from '~/server/checks/checkSheet';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const reading = parseInput(newReading, await readJson(context));
  return takeReading(context.locals.db, context.params['id']!, reading, Date.now());
}, 201);
