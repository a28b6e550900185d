import { describe, expect, it } from 'vitest';
import { FOUR_LAYER, TWO_LAYER } from '../../../tests/support/samples';
import { arealHeat_J_m2K, layerDepth_m, spreading_W_K } from './stackup';

describe('a board by its weight', () => {
  it('the only layer of a single-sided board lies on the bottom', () => {
    const single = { ...TWO_LAYER, copper: [TWO_LAYER.copper[0]!] };
    expect(layerDepth_m(single, 1)).toBe(single.thickness_m);
  });

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
