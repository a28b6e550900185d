import { z } from 'zod';
import { MOST_SITES } from '~/schema/records/board/boardImport';
import { parseInput } from '~/schema/values/faults';
import { wholeNumber } from '~/schema/values/fields';
import { takeBackImport } from '~/server/boards/imports';
import { endpoint, readJson } from '~/server/http/respond';

/** How many of its sites whoever undoes it knows to be corrected by hand. */
const undoing = z.strictObject({ corrected: wholeNumber(0, MOST_SITES).default(0) });

export const POST = endpoint(async (context) => {
  const { corrected } = parseInput(undoing, await readJson(context));
  const { id, importId } = context.params;
  return takeBackImport(context.locals.db, id!, importId!, Date.now(), corrected);
});
