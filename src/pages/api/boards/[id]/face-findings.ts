import { newFaceFinding } from '~/schema/records/board/faceFinding';
import { parseInput } from '~/schema/values/faults';
import { addFaceFinding } from '~/server/store/repositories/faceFindings';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const finding = parseInput(newFaceFinding, await readJson(context));
  return addFaceFinding(context.locals.db, context.params['id']!, finding, Date.now());
}, 201);
