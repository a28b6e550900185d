import { differing, mapOf } from '~/core/electrical/memory/compare';
import { misfit, transferred } from '~/core/electrical/memory/transfer';
import { contentsOf, type Contents } from '~/core/record/memoryEntries';
import type { DumpMade, DumpRecord } from '~/schema/records/site/memory';
import type { ComparedDumps, MemorySheet } from '~/schema/sheets/memorySheet';
import { InputError } from '~/schema/values/faults';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import {
  addMemoryEntry,
  bytesOf,
  dumpsOf,
  keepDump,
  memoryEntriesOf,
} from '~/server/store/repositories/memories';
import { getSite } from '~/server/store/repositories/sites';
import { socketsFor } from '~/core/electrical/memory/sockets';
import { pinsOf } from './programmer';

/** Whether a site's part holds contents that are nowhere else. */
export const contentsAt = (db: Db, siteId: string): Contents => contentsOf(memoryEntriesOf(db, siteId));

/** Gathers what a site's contents are shown from. */
export function memorySheet(db: Db, siteId: string): MemorySheet {
  const site = getSite(db, siteId);
  const entries = memoryEntriesOf(db, siteId);
  return {
    board: getBoard(db, site.boardId),
    site: { id: site.id, ref: site.ref, value: site.value },
    contents: contentsOf(entries),
    dumps: dumpsOf(db, siteId),
    entries,
    sockets: socketsFor(site.package.family, pinsOf(site.package)),
  };
}

/** Stretches that a map of contents is drawn in. */
const MOST_CELLS = 1024;
const MOST_RANGES = 200;

/** Where two contents of a site differ, as ranges and as a map. */
export function compared(db: Db, siteId: string, oneId: string, otherId: string): ComparedDumps {
  const [one, other] = [bytesOf(db, siteId, oneId), bytesOf(db, siteId, otherId)];
  const ranges = differing(one, other);
  return {
    ...mapOf(one, other, MOST_CELLS),
    ranges: ranges.slice(0, MOST_RANGES),
    more: Math.max(0, ranges.length - MOST_RANGES),
  };
}

/** Makes new contents out of fresh ones and the board's own, and keeps them. Throws `InputError` where a block does not fit. */
export function makeContents(db: Db, siteId: string, asked: DumpMade, at_ms: number): DumpRecord {
  const { name, freshId, ownId, blocks, checks, by } = asked;
  const [fresh, own] = [bytesOf(db, siteId, freshId), bytesOf(db, siteId, ownId)];
  const wrong = misfit(Math.min(fresh.length, own.length), blocks, []) ?? misfit(fresh.length, [], checks);
  if (wrong)
    throw new InputError([
      { path: `$.${wrong.what === 'block' ? 'blocks' : 'checks'}[${wrong.index}]`, message: wrong.says },
    ]);
  return db.transaction(() => {
    const dump = keepDump(db, siteId, { name, bytes: transferred(fresh, own, blocks, checks), by }, at_ms);
    addMemoryEntry(db, siteId, { kind: 'made', dumpId: dump.id, freshId, ownId, blocks, checks }, by, at_ms);
    return dump;
  });
}
