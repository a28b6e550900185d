import { undoImport } from '~/server/store/repositories/imports';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  await readJson(context);
  return undoImport(context.locals.db, context.params['id']!, context.params['importId']!, Date.now());
});
