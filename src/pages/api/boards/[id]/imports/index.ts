import { acceptImport, importOf } from '~/server/boards/imports';
import { endpoint, readJson } from '~/server/http/respond';

/** A board of some thousands of pads with its copper; anything larger comes in parts. */
const LARGEST_IMPORT_bytes = 24 * 1024 * 1024;

export const POST = endpoint(async (context) => {
  const given = await importOf(await readJson(context, LARGEST_IMPORT_bytes));
  return acceptImport(context.locals.db, context.params['id']!, given, Date.now());
}, 201);
