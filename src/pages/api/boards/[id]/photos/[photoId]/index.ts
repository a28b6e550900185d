import { parseInput } from '~/schema/values/faults';
import { photoChange } from '~/schema/records/board/photo';
import { calibratePhoto } from '~/server/store/repositories/photos';
import { endpoint, readJson } from '~/server/http/respond';

export const PATCH = endpoint(async (context) => {
  const change = parseInput(photoChange, await readJson(context));
  const { id, photoId } = context.params;
  return calibratePhoto(context.locals.db, id!, photoId!, change);
});
