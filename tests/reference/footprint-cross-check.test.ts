import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { landShapes } from '~/core/packages/form';
import { partOf } from '~/schema/exchange/si/part';
import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';

/**
 * Lands as a general footprint generator of the registry drew them, kept as a table so that its forty megabytes need not
 * be installed: for the families it has right, chips, dual in-line, and quad flat packs with every parameter given. It is
 * another hand's reading of the same standards.
 */
const { lands } = JSON.parse(readFileSync(new URL('./footprints.json', import.meta.url), 'utf8')) as {
  lands: Readonly<Record<string, Readonly<Record<string, readonly [number, number, number, number]>>>>;
};

interface OtherLand {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const otherLands = (footprint: string): Map<string, OtherLand> =>
  new Map(
    Object.entries(lands[footprint]!).map(([pad, [x, y, width, height]]) => [pad, { x, y, width, height }]),
  );

/** Places must agree to 0.08 mm; sizes to what two readings of the tolerances differ by. */
const ROWS: readonly (readonly [preset: string, footprint: string, size_mm: number])[] = [
  ['Chip 0402', '0402', 0.1],
  ['Chip 0603', '0603', 0.1],
  ['Chip 0805', '0805', 0.1],
  ['Chip 1206', '1206', 0.1],
  ['Chip 1210', '1210', 0.1],
  ['DIP-8', 'dip8', 0.1],
  ['DIP-14', 'dip14', 0.1],
  ['DIP-28, 15.24 mm', 'dip28_w15.24mm', 0.1],
  ['LQFP-100, 0.5 mm', 'lqfp100_w14_h14_p0.5', 0.12],
  ['LQFP-144, 0.5 mm', 'lqfp144_w20_h20_p0.5', 0.12],
];

describe('lands against another generator’s', () => {
  it.each(ROWS)('%s as %s', (name, footprint, size_mm) => {
    const ours = landShapes(partOf(PACKAGE_PRESETS.find((p) => p.name === name)!.package));
    const theirs = otherLands(footprint);
    expect(theirs.size).toBe(ours.length);
    for (const land of ours) {
      const other = theirs.get(land.pad)!;
      expect(Math.abs(land.x_m * 1e3 - other.x), `${land.pad} x`).toBeLessThan(0.08);
      expect(Math.abs(land.y_m * 1e3 - other.y), `${land.pad} y`).toBeLessThan(0.08);
      expect(Math.abs(land.width_m * 1e3 - other.width), `${land.pad} width`).toBeLessThan(size_mm);
      expect(Math.abs(land.height_m * 1e3 - other.height), `${land.pad} height`).toBeLessThan(size_mm);
    }
  });
});
