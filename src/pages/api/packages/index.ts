import { parseInput } from '~/schema/values/faults';
import { newLibraryPackage } from '~/schema/records/parts/libraryPackage';
import { addToLibrary } from '~/server/store/repositories/library';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const outline = parseInput(newLibraryPackage, await readJson(context));
  return addToLibrary(context.locals.db, outline, Date.now());
}, 201);
