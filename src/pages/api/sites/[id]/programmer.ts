import { programmerAsked } from '~/schema/records/site/programmer';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { memorySheet } from '~/server/memory/contents';
import { program } from '~/server/memory/programmer';

export const POST = endpoint(async (context) => {
  const { db } = context.locals;
  const siteId = context.params['id']!;
  const entry = program(db, siteId, parseInput(programmerAsked, await readJson(context)), Date.now());
  return { entry, sheet: memorySheet(db, siteId) };
}, 201);
