import { describe, expect, it } from 'vitest';
import { reliefResistance_K_W } from '~/core/thermal/relief';
import { spokedSheetResistance } from '../support/sheetWithSpokes';

/** Spokes with their mouths, against a sheet solved as it is. Lengths in mm, k·t = 1. */

const BARREL = 0.475;
const RIM = 12;

const PATTERNS: readonly (readonly [spokes: number, width: number, length: number, land: number])[] = [
  [4, 0.3, 0.3, 0.9],
  [4, 0.25, 0.5, 0.9],
  [4, 0.5, 0.25, 0.9],
  [4, 0.2, 0.25, 0.8],
  [4, 0.4, 0.4, 1.1],
  [4, 0.8, 0.3, 0.9],
  [3, 0.3, 0.3, 0.9],
  [3, 0.25, 0.5, 0.75],
  [2, 0.3, 0.3, 0.9],
  [2, 0.5, 0.25, 0.9],
  [2, 0.25, 0.5, 1.2],
  [1, 0.3, 0.3, 0.9],
  [1, 0.5, 0.5, 0.9],
];

const ring = (inner: number, outer: number): number => Math.log(outer / inner) / (2 * Math.PI);

describe('a thermal relief against the exact sheet', () => {
  it.each(PATTERNS)(
    '%i spokes of %f by %f mm on a land of radius %f: within six per cent',
    (spokes, width, length, land) => {
      const exact = spokedSheetResistance({ spokes, width, length, barrel: BARREL, land, rim: RIM });
      const through = reliefResistance_K_W(
        { spokes, spokeWidth_m: width, spokeLength_m: length, landRadius_m: land, barrelRadius_m: BARREL },
        { land: 1, spoke: 1, field: 1 },
      );
      const model = ring(BARREL, land) + through + ring(land + length, RIM);
      expect(Math.abs(model / exact - 1)).toBeLessThan(0.06);
    },
  );

  it('the sheet itself is right where it is known: spokes that meet are a full ring', () => {
    const full = spokedSheetResistance({
      spokes: 4,
      width: 10,
      length: 0.3,
      barrel: BARREL,
      land: 0.9,
      rim: RIM,
    });
    expect(full / ring(BARREL, RIM)).toBeCloseTo(1, 3);
  });

  it('mouths as wide as the circle cost nothing, and no mouth gives anything back', () => {
    const shape = { spokes: 4, spokeLength_m: 0.3, landRadius_m: 0.9, barrelRadius_m: BARREL };
    const straight = (spokeWidth_m: number): number => 0.3 / (4 * spokeWidth_m);
    const all = { land: 1, spoke: 1, field: 1 };
    expect(reliefResistance_K_W({ ...shape, spokeWidth_m: 2 }, all)).toBeCloseTo(straight(2), 9);
    for (const spokeWidth_m of [0.1, 0.3, 0.6, 1])
      expect(reliefResistance_K_W({ ...shape, spokeWidth_m }, all)).toBeGreaterThan(straight(spokeWidth_m));
  });
});
