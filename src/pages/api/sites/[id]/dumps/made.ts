import { dumpMade } from '~/schema/records/site/memory';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { makeContents, memorySheet } from '~/server/memory/contents';

export const POST = endpoint(async (context) => {
  const { db } = context.locals;
  const siteId = context.params['id']!;
  const dump = makeContents(db, siteId, parseInput(dumpMade, await readJson(context)), Date.now());
  return { dump, sheet: memorySheet(db, siteId) };
}, 201);
