import { describe, expect, it } from 'vitest';
import { surfacePart, TWO_LAYERS } from '../../../../tests/support/field';
import { fieldMesh } from './mesh';
import { overlapsOf } from './overlap';

const mesh = fieldMesh(TWO_LAYERS, 2e-3, 3);
const at = (x_m: number, y_m: number, rotation_rad = 0) =>
  surfacePart({ family: 'soic', pins: 8 }, { x_m, y_m, rotation_rad });
const box = (width_m: number, height_m: number) => ({ x_m: 0, y_m: 0, width_m, height_m });
const middleOf = (overlaps: ReturnType<typeof overlapsOf>) =>
  overlaps.reduce(
    (sum, { column, share }) => ({
      x_m: sum.x_m + share * mesh.x.middles_m[column % mesh.nx]!,
      y_m: sum.y_m + share * mesh.y.middles_m[Math.floor(column / mesh.nx)]!,
    }),
    { x_m: 0, y_m: 0 },
  );

describe('columns under a place, by area', () => {
  it('have shares that add to one, and the place as their middle, wherever it lies', () => {
    for (const [x_m, y_m, turn] of [
      [0.0813, 0.0507, 0],
      [0.07, 0.0411, Math.PI / 2],
      [0.0666, 0.0333, 0.7],
    ] as const) {
      const overlaps = overlapsOf(mesh, at(x_m, y_m, turn), box(5e-3, 3e-3));
      expect(overlaps.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
      const middle = middleOf(overlaps);
      expect(Math.abs(middle.x_m - x_m)).toBeLessThan(0.101e-3);
      expect(Math.abs(middle.y_m - y_m)).toBeLessThan(0.101e-3);
    }
  });

  it('are those of a rectangle that lies on the cells exactly', () => {
    const overlaps = overlapsOf(mesh, at(0.08, 0.05), box(8e-3, 4e-3));
    expect(overlaps).toHaveLength(8);
    for (const { share } of overlaps) expect(share).toBeCloseTo(1 / 8, 9);
  });

  it('of something small move with it little by little', () => {
    const share = (x_m: number): number =>
      overlapsOf(mesh, at(x_m, 0.051), box(0.2e-3, 0.2e-3)).find(({ column }) => column % mesh.nx === 40)
        ?.share ?? 0;
    for (let i = 0; i < 20; i++) {
      const moved = Math.abs(share(0.08 + (i + 1) * 1e-4) - share(0.08 + i * 1e-4));
      expect(moved).toBeLessThan(0.07);
    }
    expect(share(0.081)).toBeCloseTo(1, 6);
  });

  it('of something beyond the edge are the nearest one', () => {
    expect(overlapsOf(mesh, at(-0.02, 0.05), box(1e-3, 1e-3))).toEqual([
      { column: expect.any(Number) as number, share: 1 },
    ]);
  });
});
