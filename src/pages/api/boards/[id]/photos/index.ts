import { parseInput } from '~/schema/values/faults';
import { newPhoto } from '~/schema/records/board/photo';
import { LARGEST_PHOTO_bytes, takePhoto } from '~/server/boards/photoIntake';
import { endpoint, readBytes } from '~/server/http/respond';

/** The picture is the body; what goes with it stands in the address. */
export const POST = endpoint(async (context) => {
  const told = Object.fromEntries(context.url.searchParams);
  const { person } = context.locals;
  const given = parseInput(newPhoto, person ? { ...told, by: person.initials } : told);
  const bytes = await readBytes(context, LARGEST_PHOTO_bytes);
  return takePhoto(context.locals.db, context.params['id']!, given, bytes, Date.now());
}, 201);
