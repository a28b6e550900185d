import { describe, expect, it } from 'vitest';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { newImport } from '~/schema/records/board/boardImport';
import { airSheet } from '~/server/plans/airSheet';
import { planningFor } from '~/server/plans/sitePlanning';
import { recapAsks } from '~/server/plans/recapSheet';
import { acceptImport } from './imports';
import { heatBoardOf } from './heatBoard';

const L_SHAPE: [number, number][] = [
  [-0.2, 0],
  [160, 0],
  [160, 50],
  [80, 50],
  [80, 100.3],
  [-0.2, 100],
];

/** A board of 160 × 100 mm whose files draw its edge as an L and half of its top copper. */
function imported() {
  const db = freshDatabase();
  const site = withCapacitor(db);
  acceptImport(
    db,
    site.boardId,
    newImport.parse({
      by: 'MK',
      files: [{ name: 'edge.gbr', kind: 'artwork', count: 6 }],
      sites: [],
      copper: [
        {
          file: 'top.gbr',
          coverage: 0.5,
          map: {
            layer: 1,
            nx: 4,
            ny: 4,
            cells: Buffer.from(Array.from({ length: 16 }, (_, i) => (i % 4 < 2 ? 0 : 255))).toString(
              'base64',
            ),
          },
        },
      ],
      profile: { edge: L_SHAPE, holes: [] },
    }),
    1000,
  );
  return { db, site };
}

// Rule broken: findings M6, an L-shaped imported board was planned as its rectangle.
describe('an imported edge and imported copper', () => {
  it('are part of the board that heat is computed on, kept within its rectangle', () => {
    const { db, site } = imported();
    const board = heatBoardOf(db, site.boardId);
    expect(board.outline_mm).toEqual([
      [0, 0],
      [160, 0],
      [160, 50],
      [80, 50],
      [80, 100],
      [0, 100],
    ]);
    expect(board.copperMaps).toHaveLength(1);
  });

  it('reach every reader: the plan, the hot-air page, the whole board', () => {
    const { db, site } = imported();
    const board = heatBoardOf(db, site.boardId);
    expect(planningFor(db, site.id, { goal: 'reflow' }).input.board).toEqual(board);
    expect(airSheet(db, site.id).input.board).toEqual(board);
    expect(recapAsks(db, site.boardId, [site.id])[0]!.input.board).toEqual(board);
  });

  it('are not there where nothing was imported', () => {
    const db = freshDatabase();
    const { boardId } = withCapacitor(db);
    expect(heatBoardOf(db, boardId)).not.toHaveProperty('outline_mm');
    expect(heatBoardOf(db, boardId)).not.toHaveProperty('copperMaps');
  });
});
