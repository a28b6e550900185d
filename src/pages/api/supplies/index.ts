import { parseInput } from '~/schema/values/faults';
import { newSupply } from '~/schema/records/rig/supply';
import { addSupply } from '~/server/store/repositories/supplies';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const supply = parseInput(newSupply, await readJson(context));
  return addSupply(context.locals.db, supply, Date.now());
}, 201);
