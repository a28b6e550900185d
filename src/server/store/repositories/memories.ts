import { and, count, eq } from 'drizzle-orm';
import { fingerprintOf } from '~/core/electrical/memory/checksums';
import type { MemoryEntry, MemoryEntryBody } from '~/core/record/memoryEntries';
import {
  dumpRecord,
  LARGEST_DUMP_bytes,
  memoryEntryOf,
  memoryEntryRow,
  type DumpRecord,
} from '~/schema/records/site/memory';
import { memoryDumps, memoryEntries } from '~/schema/records/site/memory.table';
import { InputError } from '~/schema/values/faults';
import type { Db } from '../db';
import { NotFound } from '../errors';
import { newId } from '../ids';
import { asWritten } from '../order';

const { bytes: _bytes, ...COLUMNS } = {
  id: memoryDumps.id,
  siteId: memoryDumps.siteId,
  name: memoryDumps.name,
  size_bytes: memoryDumps.size_bytes,
  crc32: memoryDumps.crc32,
  sum16: memoryDumps.sum16,
  sha256: memoryDumps.sha256,
  by: memoryDumps.by,
  at_ms: memoryDumps.at_ms,
  bytes: memoryDumps.bytes,
};

/** A site that keeps more contents than this is used as a store for something else. */
const MOST_DUMPS = 200;

/** Contents of a site, in the order they were kept, without their bytes. */
export const dumpsOf = (db: Db, siteId: string): DumpRecord[] =>
  db
    .select(COLUMNS)
    .from(memoryDumps)
    .where(eq(memoryDumps.siteId, siteId))
    .orderBy(asWritten(memoryDumps))
    .all()
    .map((row) => dumpRecord.parse(row));

/** The bytes of some contents. */
export function bytesOf(db: Db, siteId: string, id: string): Uint8Array {
  const row = db
    .select({ bytes: memoryDumps.bytes })
    .from(memoryDumps)
    .where(and(eq(memoryDumps.id, id), eq(memoryDumps.siteId, siteId)))
    .get();
  if (!row) throw new NotFound('contents', id);
  return row.bytes;
}

/** Keeps contents with what they are known by. Throws `InputError` for none, and for more than a site keeps. */
export function keepDump(
  db: Db,
  siteId: string,
  given: { readonly name: string; readonly bytes: Uint8Array; readonly by: string },
  at_ms: number,
  id = newId('dump'),
): DumpRecord {
  const { name, bytes, by } = given;
  if (bytes.length === 0 || bytes.length > LARGEST_DUMP_bytes)
    throw new InputError([
      { path: '$', message: `has ${bytes.length} bytes; give a file of 1 to ${LARGEST_DUMP_bytes} bytes` },
    ]);
  const kept = db.select({ count: count() }).from(memoryDumps).where(eq(memoryDumps.siteId, siteId)).get()!
    .count;
  if (kept >= MOST_DUMPS)
    throw new InputError([
      {
        path: '$',
        message: `is one too many: this site keeps ${MOST_DUMPS} contents already; keep it elsewhere`,
      },
    ]);
  const record: DumpRecord = { id, siteId, name, by, at_ms, ...fingerprintOf(bytes) };
  db.insert(memoryDumps)
    .values({ ...record, bytes: Buffer.from(bytes) })
    .run();
  return record;
}

/** What was done about a site's contents, in its order. */
export const memoryEntriesOf = (db: Db, siteId: string): MemoryEntry[] =>
  db
    .select()
    .from(memoryEntries)
    .where(eq(memoryEntries.siteId, siteId))
    .orderBy(asWritten(memoryEntries))
    .all()
    .map((row) => memoryEntryOf(memoryEntryRow.parse(row)));

export function addMemoryEntry(
  db: Db,
  siteId: string,
  body: MemoryEntryBody,
  by: string,
  at_ms: number,
  id = newId('memory'),
): MemoryEntry {
  const row = memoryEntryRow.parse({ id, siteId, at_ms, by, body });
  db.insert(memoryEntries).values(row).run();
  return memoryEntryOf(row);
}
