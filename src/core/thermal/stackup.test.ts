import { describe, expect, it } from 'vitest';
import { FOUR_LAYER, TWO_LAYER } from '../../../tests/support/samples';
import { arealHeat_J_m2K, layerDepth_m, conductingSheets, spreading_W_K } from './stackup';

describe('sheets of a board', () => {
  it('share out the whole thickness, faces first and last', () => {
    for (const board of [FOUR_LAYER, TWO_LAYER]) {
      const all = conductingSheets(board, 0.55e-3);
      expect(all.reduce((sum, s) => sum + s.laminate_m, 0)).toBeCloseTo(board.thickness_m, 12);
      expect(all[0]!.depth_m).toBe(0);
      expect(all.at(-1)!.depth_m).toBeCloseTo(board.thickness_m, 12);
      expect(all.filter((s) => s.layer !== null).map((s) => s.layer)).toEqual(
        board.copper.map((_, i) => i + 1),
      );
    }
  });

  it('fill wide gaps so that no two stand further apart than asked', () => {
    const all = conductingSheets(TWO_LAYER, 0.3e-3);
    for (let i = 1; i < all.length; i++)
      expect(all[i]!.depth_m - all[i - 1]!.depth_m).toBeLessThanOrEqual(0.3e-3 + 1e-12);
  });

  it('put the only layer of a single-sided board on the bottom', () => {
    const single = { ...TWO_LAYER, copper: [TWO_LAYER.copper[0]!] };
    expect(layerDepth_m(single, 1)).toBe(single.thickness_m);
    expect(conductingSheets(single, 0.55e-3)[0]).toMatchObject({ depth_m: 0, layer: null });
  });
});

describe('a board by its weight', () => {
  it('more copper spreads more and stores more', () => {
    expect(spreading_W_K(FOUR_LAYER)).toBeGreaterThan(3 * spreading_W_K(TWO_LAYER));
    expect(arealHeat_J_m2K(FOUR_LAYER)).toBeGreaterThan(arealHeat_J_m2K(TWO_LAYER));
  });

  it('1.6 mm of FR-4 stores about 3.2 kJ/m²K before copper (density 1900 × 1050 J/kgK, common practice)', () => {
    const bare = { ...TWO_LAYER, copper: [{ thickness_m: 0, coverage: 0 }] };
    expect(arealHeat_J_m2K(bare)).toBeGreaterThan(2900);
    expect(arealHeat_J_m2K(bare)).toBeLessThan(3500);
  });
});
