import { dumpFromFile, LARGEST_DUMP_bytes } from '~/schema/records/site/memory';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readBytes } from '~/server/http/respond';
import { memorySheet } from '~/server/memory/contents';
import { addMemoryEntry, keepDump } from '~/server/store/repositories/memories';
import { getSite } from '~/server/store/repositories/sites';

/** The contents are the body; what goes with them stands in the address. */
export const POST = endpoint(async (context) => {
  const { db, person } = context.locals;
  const { id } = getSite(db, context.params['id']!);
  const told = Object.fromEntries(context.url.searchParams);
  const { name, by } = parseInput(dumpFromFile, person ? { ...told, by: person.initials } : told);
  const bytes = await readBytes(context, LARGEST_DUMP_bytes);
  db.transaction(() => {
    const dump = keepDump(db, id, { name, bytes, by }, Date.now());
    addMemoryEntry(db, id, { kind: 'from-file', dumpId: dump.id }, by, Date.now());
  });
  return memorySheet(db, id);
}, 201);
