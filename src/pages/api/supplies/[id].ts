import { z } from 'zod';
import { parseInput } from '~/schema/faults';
import { retireSupply } from '~/server/repositories/supplies';
import { endpoint, readJson } from '~/server/respond';

const retired = z.strictObject({ revision: z.int().min(1) });

export const DELETE = endpoint(async (context) => {
  const { revision } = parseInput(retired, await readJson(context));
  return retireSupply(context.locals.db, context.params['id']!, revision);
});
