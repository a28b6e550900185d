import { photoTakeAway } from '~/schema/records/board/photo';
import { parseInput } from '~/schema/values/faults';
import { takePhotoAway } from '~/server/store/repositories/photos';
import { endpoint, readJson } from '~/server/http/respond';

/** The picture goes, the entry stays. */
export const POST = endpoint(async (context) => {
  const away = parseInput(photoTakeAway, await readJson(context));
  const { id, photoId } = context.params;
  return takePhotoAway(context.locals.db, id!, photoId!, away, Date.now());
});
