import { describe, expect, it } from 'vitest';
import { STAND_IN_LAYOUT, standInContents } from '~/core/electrical/memory/standInPart';
import { checkHolds } from '~/core/electrical/memory/transfer';
import { newSite } from '~/schema/records/site/site';
import type { ProgrammerAsked } from '~/schema/records/site/programmer';
import { planningFor } from '~/server/plans/sitePlanning';
import { planSheet } from '~/server/plans/planSheet';
import type { Db } from '~/server/store/db';
import { addMemoryEntry, bytesOf, dumpsOf, keepDump } from '~/server/store/repositories/memories';
import { addSite } from '~/server/store/repositories/sites';
import { freshDatabase, withBoard } from '../../../tests/support/database';
import { compared, contentsAt, makeContents } from './contents';
import { program } from './programmer';

const SIZE = 2048;

function bench(): { db: Db; siteId: string } {
  const db = freshDatabase();
  const board = withBoard(db);
  const site = newSite.parse({
    ref: 'U5',
    value: 'EE16',
    side: 'top',
    x_mm: 40,
    y_mm: 40,
    alloy: 'sn60pb40',
    package: { family: 'soic', pins: 8 },
    pads: Array.from({ length: 8 }, (_, i) => ({
      name: String(i + 1),
      net: '',
      connections: [{ kind: 'isolated' }],
    })),
  });
  return { db, siteId: addSite(db, board.id, site, 'u5').id };
}
const set = { socket: 'so16', part: 'own', size_bytes: SIZE, fault: 'none', by: 'MK' } as const;
const read = (db: Db, siteId: string, changes: Partial<ProgrammerAsked> = {}) =>
  program(db, siteId, { ...set, do: 'read', name: 'as it came', ...changes } as ProgrammerAsked, 1000);

describe('a part’s contents', () => {
  it('are kept with what they are known by, once two reads are alike', () => {
    const { db, siteId } = bench();
    expect(read(db, siteId)).toMatchObject({ kind: 'read', verdict: 'alike', simulated: true });
    const [dump] = dumpsOf(db, siteId);
    expect(dumpsOf(db, siteId)).toHaveLength(1);
    expect(dump).toMatchObject({ size_bytes: SIZE, name: 'as it came' });
    expect(bytesOf(db, siteId, dump!.id)).toHaveLength(SIZE);
    expect(contentsAt(db, siteId)).toBe('kept');
  });

  it('read through a bad contact are both kept, told to differ, and drawn', () => {
    const { db, siteId } = bench();
    const entry = read(db, siteId, { fault: 'bad-contact' });
    if (entry.kind !== 'read') throw new Error(entry.kind);
    expect(entry.verdict).toBe('differ');
    expect(entry.says).toMatch(/one data pin/);
    expect(dumpsOf(db, siteId)).toHaveLength(2);
    const { cells, ranges } = compared(db, siteId, entry.dumpId, entry.otherId!);
    expect(cells.filter((cell) => cell === 'differs').length).toBeGreaterThan(10);
    expect(ranges.length).toBeGreaterThan(10);
    expect(contentsAt(db, siteId)).toBe('only-copy');
  });

  it('are not read out of a wrong part or a wrong socket, and the reason is told', () => {
    const { db, siteId } = bench();
    expect(() => read(db, siteId, { fault: 'wrong-part' })).toThrow(/does not answer/);
    expect(() => read(db, siteId, { socket: 'dip40' })).toThrow(/use small outline/);
    expect(dumpsOf(db, siteId)).toEqual([]);
  });

  it('go with the board’s own block into new ones whose check sum holds, into the new part, and are verified', () => {
    const { db, siteId } = bench();
    const kept = read(db, siteId);
    if (kept.kind !== 'read') throw new Error(kept.kind);
    const fresh = keepDump(db, siteId, { name: 'new', bytes: standInContents('all', SIZE), by: 'MK' }, 2000);
    const check = STAND_IN_LAYOUT.check(SIZE);
    const { block } = STAND_IN_LAYOUT;
    const made = makeContents(
      db,
      siteId,
      { name: 'made', freshId: fresh.id, ownId: kept.dumpId, blocks: [block], checks: [check], by: 'MK' },
      3000,
    );
    const bytes = bytesOf(db, siteId, made.id);
    expect(checkHolds(bytes, check)).toBe(true);
    expect([...bytes.subarray(block.from, block.to)]).toEqual([
      ...bytesOf(db, siteId, kept.dumpId).subarray(block.from, block.to),
    ]);
    const at = (asked: object) =>
      program(db, siteId, { ...set, part: 'new', dumpId: made.id, ...asked } as ProgrammerAsked, 4000);
    at({ do: 'program' });
    expect(at({ do: 'verify', fitted: false })).toMatchObject({ differing_bytes: 0 });
    // Worn cells take nothing: found by verifying, before it is fitted, with a good contact too.
    for (const fault of ['worn-cells', 'bad-contact'] as const) {
      at({ do: 'program', fault });
      expect(at({ do: 'verify', fitted: false })).not.toMatchObject({ differing_bytes: 0 });
    }
    expect(() => at({ do: 'program', size_bytes: 8192 })).toThrow(/these contents have 2048/);
    expect(() =>
      makeContents(
        db,
        siteId,
        {
          name: 'x',
          freshId: fresh.id,
          ownId: kept.dumpId,
          blocks: [{ name: 'n', from: 0, to: SIZE + 1 }],
          checks: [],
          by: 'MK',
        },
        5000,
      ),
    ).toThrow(/past the contents/);
  });
});

describe('a part that holds the only copy', () => {
  it('is never planned as expendable, until it is read twice alike', () => {
    const { db, siteId } = bench();
    addMemoryEntry(db, siteId, { kind: 'told', holds: true }, 'MK', 1000);
    for (const goal of ['remove-sacrifice-part', 'replace'] as const)
      expect(() => planningFor(db, siteId, { goal })).toThrow(/only copy/);
    expect(planSheet(db, siteId, 'remove-sacrifice-part').goal).toBe('remove-keep-part');
    expect(planningFor(db, siteId, { goal: 'read-and-refit' }).input.site.contents).toBe('only-copy');
    read(db, siteId);
    expect(planningFor(db, siteId, { goal: 'remove-sacrifice-part' }).input.site.contents).toBe('kept');
  });
});
