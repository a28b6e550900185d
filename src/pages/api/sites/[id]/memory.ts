import { contentsTold } from '~/schema/records/site/memory';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { memorySheet } from '~/server/memory/contents';
import { addMemoryEntry } from '~/server/store/repositories/memories';
import { getSite } from '~/server/store/repositories/sites';

export const GET = endpoint((context) => memorySheet(context.locals.db, context.params['id']!));

/** Somebody says whether the part holds contents. */
export const POST = endpoint(async (context) => {
  const { db } = context.locals;
  const { id } = getSite(db, context.params['id']!);
  const { holds, by } = parseInput(contentsTold, await readJson(context));
  addMemoryEntry(db, id, { kind: 'told', holds }, by, Date.now());
  return memorySheet(db, id);
}, 201);
