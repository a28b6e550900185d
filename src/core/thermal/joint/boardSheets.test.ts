import { describe, expect, it } from 'vitest';
import { FOUR_LAYER, TWO_LAYER } from '../../../../tests/support/samples';
import type { Board } from '../stackup';
import { conductingSheets } from './boardSheets';
import { JOINT } from './settings';

const layered = (count: number, thickness_m = 1.6e-3): Board => ({
  ...TWO_LAYER,
  thickness_m,
  copper: Array.from({ length: count }, () => TWO_LAYER.copper[0]!),
});

describe('sheets of a board', () => {
  it('share out the whole thickness, faces first and last, copper where it lies', () => {
    for (const board of [FOUR_LAYER, TWO_LAYER, ...[1, 3, 6, 10, 16].map((n) => layered(n))]) {
      const all = conductingSheets(board);
      expect(all.reduce((sum, s) => sum + s.laminate_m, 0)).toBeCloseTo(board.thickness_m, 12);
      expect(all[0]!.depth_m).toBe(0);
      expect(all.at(-1)!.depth_m).toBeCloseTo(board.thickness_m, 12);
      expect(all.every((s, i) => i === 0 || s.depth_m > all[i - 1]!.depth_m)).toBe(true);
      expect(all.filter((s) => s.layer !== null).map((s) => s.layer)).toEqual(
        board.copper.map((_, i) => i + 1),
      );
    }
  });

  it('put the only layer of a single-sided board on the bottom', () => {
    expect(conductingSheets(layered(1))[0]).toMatchObject({ depth_m: 0, layer: null });
  });

  it('do not change in number with thickness: a board a hair thicker is the same board', () => {
    for (const count of [1, 2, 4, 6, 10]) {
      const numbers = [0.4, 1.1, 1.6, 1.65, 3.2].map(
        (mm) => conductingSheets(layered(count, mm * 1e-3)).length,
      );
      expect(new Set(numbers).size).toBe(1);
    }
  });

  it('are thin under both faces and wider inward, alike from either side', () => {
    const depths = conductingSheets(TWO_LAYER).map((s) => s.depth_m);
    expect(depths[1]).toBeCloseTo(JOINT.faceSheet_m, 6);
    expect(depths[2]! - depths[1]!).toBeGreaterThan(JOINT.faceSheet_m);
    depths.forEach((depth_m, i) =>
      expect(depth_m + depths[depths.length - 1 - i]!).toBeCloseTo(TWO_LAYER.thickness_m, 9),
    );
  });

  it('belong each to one coarse sheet, which one of them speaks for', () => {
    for (const board of [TWO_LAYER, FOUR_LAYER, layered(8)]) {
      const all = conductingSheets(board);
      for (const coarse of new Set(all.map((s) => s.coarse)))
        expect(all.filter((s) => s.coarse === coarse && s.anchored)).toHaveLength(1);
    }
  });
});
