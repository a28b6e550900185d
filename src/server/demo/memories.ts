import { STAND_IN_LAYOUT, standInContents } from '~/core/electrical/memory/standInPart';
import type { ProgrammerAsked } from '~/schema/records/site/programmer';
import { makeContents } from '~/server/memory/contents';
import { program } from '~/server/memory/programmer';
import type { Db } from '~/server/store/db';
import { addMemoryEntry, keepDump, memoryEntriesOf } from '~/server/store/repositories/memories';

const DAY_ms = 86_400_000;
const SITE = 'demo-projector-m2-U21';
const SIZE_bytes = 8192;

/** The projector's memory: a first read through a bad contact, a second that is kept, and new contents with its own number in them. */
export function seedMemories(db: Db, now_ms: number): void {
  if (memoryEntriesOf(db, SITE).length > 0) return;
  const at = (days: number): number => now_ms - Math.round(days * DAY_ms);
  const by = 'RT';
  addMemoryEntry(db, SITE, { kind: 'told', holds: true }, by, at(6));
  const read = (name: string, fault: ProgrammerAsked['fault'], days: number) =>
    program(
      db,
      SITE,
      { do: 'read', name, socket: 'tsop56', part: 'own', size_bytes: SIZE_bytes, fault, by },
      at(days),
    );
  read('U21, first try', 'bad-contact', 5.1);
  const kept = read('U21 as it came', 'none', 5);
  const bytes = standInContents('as for every projector', SIZE_bytes, 2);
  const fresh = keepDump(db, SITE, { name: 'motion tables, second issue', bytes, by }, at(4));
  addMemoryEntry(db, SITE, { kind: 'from-file', dumpId: fresh.id }, by, at(4));
  if (kept.kind === 'read')
    makeContents(
      db,
      SITE,
      {
        name: 'U21 for this projector',
        freshId: fresh.id,
        ownId: kept.dumpId,
        blocks: [STAND_IN_LAYOUT.block],
        checks: [STAND_IN_LAYOUT.check(SIZE_bytes)],
        by,
      },
      at(3.9),
    );
}
