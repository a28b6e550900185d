import { parseInput } from '~/schema/values/faults';
import { photoChange } from '~/schema/records/board/photo';
import { calibratePhoto } from '~/server/repositories/photos';
import { endpoint, readJson } from '~/server/respond';

export const PATCH = endpoint(async (context) => {
  const change = parseInput(photoChange, await readJson(context));
  const { id, photoId } = context.params;
  return calibratePhoto(context.locals.db, id!, photoId!, change);
});
