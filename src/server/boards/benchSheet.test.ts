import { describe, expect, it } from 'vitest';
import { freshDatabase, withBoard, withCapacitor } from '../../../tests/support/database';
import { newFinding } from '~/schema/records/site/finding';
import { BENCH_PAGE } from '~/schema/sheets/benchSheet';
import type { Db } from '~/server/store/db';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';
import { addBoard, changeBoard, getBoard, setWaiting } from '~/server/store/repositories/boards';
import { benchFinds, benchPage, benchSheet } from './benchSheet';
import { recordFindings } from './findings';

describe('a bench of many years (findings A10)', () => {
  it('has every board that waits, the last that were closed, and finds the rest', () => {
    const db = freshDatabase();
    const board = withBoard(db);
    db.transaction(() => {
      for (let i = 0; i < 1200; i++)
        addBoard(
          db,
          { ...board, name: `Logger ${i}`, fault: i === 3 ? 'salt in the mast' : 'dead' },
          2_000_000 + i,
          `b-${i}`,
        );
      for (let i = 0; i < 90; i++) setWaiting(db, `b-${i}`, { waitingFor: 'closed', nextAction: '' });
    });
    const { boards, counts } = benchSheet(db);
    expect(counts).toEqual({ you: 1111, closed: 90 });
    expect(boards.filter((b) => b.waitingFor === 'closed')).toHaveLength(BENCH_PAGE);
    expect(boards.filter((b) => b.waitingFor === 'closed').map(({ id }) => id)).toContain('b-89');
    expect(boards.some(({ id }) => id === 'b-3')).toBe(false);
    // Page by page, each board comes once.
    const waiting = new Set<string>();
    for (let from = 0; from < 1111; from += BENCH_PAGE)
      for (const { id } of benchPage(db, 'you', from)) waiting.add(id);
    expect(waiting.size).toBe(1111);
    expect(benchFinds(db, 'mast salt').boards.map(({ id }) => id)).toEqual(['b-3']);
    expect(benchFinds(db, 'logger 1150').boards.map(({ id }) => id)).toEqual(['b-1150']);
  });
});

describe('looking for something', () => {
  const found = (db: Db, text: string) => benchFinds(db, text).finds.map(({ because }) => because);

  it('finds boards by parts, values, findings, notes and entries, and says which', () => {
    const db = freshDatabase();
    const site = withCapacitor(db);
    const look = { foundAs: 'as-received', by: 'MK', otherPadId: null } as const;
    const [lifted] = recordFindings(
      db,
      [newFinding.parse({ ...look, padId: site.pads[0]!.id, state: 'lifted', note: 'beside the crystal' })],
      1,
    );
    addBoardEntry(db, {
      id: 'e1',
      boardId: site.boardId,
      at_ms: 2,
      by: 'MK',
      body: { kind: 'tested', how: 'Überspannung, 2 h', passed: true },
    });
    expect(found(db, 'c7')).toEqual(['C7']);
    expect(found(db, 'crystal')).toEqual([expect.stringMatching(/^C7 pin 1: lifted.*\. beside the crystal/)]);
    expect(found(db, 'lifted cry')).toHaveLength(1);
    // A letter typed without its marks is the same letter.
    expect(found(db, 'uberspann')).toEqual(['Überspannung, 2 h']);
    expect(benchFinds(db, 'test board').boards.map(({ id }) => id)).toEqual([site.boardId]);
    // What was taken back is found no more; neither is what a board was called before.
    recordFindings(
      db,
      [
        newFinding.parse({
          ...look,
          padId: site.pads[0]!.id,
          state: 'lifted',
          note: 'was not so',
          takesBackId: lifted!.id,
        }),
      ],
      3,
    );
    expect(found(db, 'crystal')).toEqual([]);
    const board = getBoard(db, site.boardId);
    const { id, waitingFor: _w, nextAction: _n, outcome: _o, createdAt_ms: _c, ...told } = board;
    changeBoard(db, id, { ...told, name: 'Renamed' });
    expect(benchFinds(db, 'renam').boards).toHaveLength(1);
    expect(benchFinds(db, 'test board').boards).toEqual([]);
  });

  it('takes signs of the index’s own language for what they are', () => {
    const db = freshDatabase();
    withCapacitor(db);
    for (const text of [
      '"',
      'a" OR "b',
      'NEAR(c7 c8)',
      'words:c7',
      '-c7',
      '^c7',
      '(c7',
      'c7*',
      'AND',
      '%',
      '  ',
      '\u0000',
    ])
      expect(() => benchFinds(db, text), text).not.toThrow();
    expect(found(db, '"c7"')).toEqual(['C7']);
  });
});
