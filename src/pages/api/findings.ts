import { parseInput } from '~/schema/faults';
import { newFinding } from '~/schema/finding';
import { addFinding } from '~/server/repositories/findings';
import { endpoint, readJson } from '~/server/respond';

export const POST = endpoint(async (context) => {
  const finding = parseInput(newFinding, await readJson(context));
  return addFinding(context.locals.db, finding, Date.now());
}, 201);
