import { fp } from '@tscircuit/footprinter';
import { describe, expect, it } from 'vitest';
import { landShapes } from '~/core/packages/form';
import { partOf } from '~/schema/exchange/si/part';
import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';

/**
 * The registry's general footprint generator, for the families it has right: chips, dual in-line, and quad
 * flat packs with every parameter given. It is another hand's reading of the same standards.
 */
interface OtherLand {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface TheirElement {
  readonly type: string;
  readonly x: number;
  readonly y: number;
  readonly width?: number;
  readonly height?: number;
  readonly rect_pad_width?: number;
  readonly rect_pad_height?: number;
  readonly outer_diameter: number;
  readonly port_hints: readonly string[];
}

function otherLands(footprint: string): Map<string, OtherLand> {
  const lands = new Map<string, OtherLand>();
  for (const element of fp.string(footprint).circuitJson() as unknown as TheirElement[]) {
    const { type, x, y, width, height, port_hints, rect_pad_width, rect_pad_height, outer_diameter } =
      element;
    if (type !== 'pcb_smtpad' && type !== 'pcb_plated_hole') continue;
    lands.set(String(port_hints[0]), {
      x,
      y,
      width: width ?? rect_pad_width ?? outer_diameter,
      height: height ?? rect_pad_height ?? outer_diameter,
    });
  }
  return lands;
}

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
