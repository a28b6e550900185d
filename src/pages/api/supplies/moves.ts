import { parseInput } from '~/schema/values/faults';
import { newMove } from '~/schema/records/rig/supply';
import { moveSupply } from '~/server/store/repositories/supplies';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const move = parseInput(newMove, await readJson(context));
  return moveSupply(context.locals.db, move, Date.now());
}, 201);
