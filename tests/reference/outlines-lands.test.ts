import type { SurfacePackage } from '~/core/packages/surface';
import { surfacePackage } from '~/core/packages/outlines';
import { describe, expect, it } from 'vitest';
import { landShapes, mass_kg } from '~/core/packages/form';
import { partOf } from '~/schema/exchange/si/part';
import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';

const preset = (name: string) => {
  const found = PACKAGE_PRESETS.find((p) => p.name === name);
  if (!found) throw new Error(`no outline ${name}`);
  return partOf(found.package);
};
const mm = (value_m: number): number => value_m * 1e3;

/** Body across x, along y, its height, and tip to tip over the leads, mm; all from memory of the standards. */
const OUTLINES: readonly (readonly [
  name: string,
  standard: string,
  x: number,
  y: number,
  height: number,
  tol: number,
])[] = [
  ['Chip 0201', 'IEC 60115-8', 0.6, 0.3, 0.3, 0.08],
  ['Chip 0402', 'IEC 60115-8', 1.0, 0.5, 0.35, 0.1],
  ['Chip 0603', 'IEC 60115-8', 1.6, 0.8, 0.45, 0.1],
  ['Chip 0805', 'IEC 60115-8', 2.0, 1.25, 0.5, 0.15],
  ['Chip 1206', 'IEC 60115-8', 3.2, 1.6, 0.55, 0.2],
  ['Chip 2512', 'IEC 60115-8', 6.35, 3.2, 0.6, 0.15],
  ['SOIC-8', 'JEDEC MS-012 AA', 3.9, 4.9, 1.5, 0.1],
  ['SOIC-14', 'JEDEC MS-012 AB', 3.9, 8.65, 1.5, 0.1],
  ['SOIC-16', 'JEDEC MS-012 AC', 3.9, 9.9, 1.5, 0.15],
  ['SOIC-20, wide', 'JEDEC MS-013 AC', 7.5, 12.8, 2.35, 0.15],
  ['SOIC-28, wide', 'JEDEC MS-013 AE', 7.5, 17.9, 2.35, 0.15],
  ['SSOP-20', 'JEDEC MO-150 AE', 5.3, 7.2, 1.75, 0.1],
  ['SSOP-28', 'JEDEC MO-150 AH', 5.3, 10.2, 1.75, 0.4],
  ['TSSOP-20', 'JEDEC MO-153 AC', 4.4, 6.5, 1.1, 0.05],
  ['TSOP II-54', 'JEDEC MS-024 FA', 10.16, 22.22, 1.0, 0.25],
  ['SOJ-28, 7.6 mm', 'JEDEC MO-065', 7.6, 18.0, 3.5, 0.2],
  ['PLCC-20', 'JEDEC MO-047 AA', 8.97, 8.97, 4.2, 0.2],
  ['PLCC-44', 'JEDEC MO-047 AC', 16.59, 16.59, 4.2, 0.1],
  ['PLCC-84', 'JEDEC MO-047 AF', 29.29, 29.29, 4.2, 0.15],
  ['LQFP-32, 0.8 mm', 'JEDEC MS-026 BBA', 7, 7, 1.4, 0.05],
  ['LQFP-44, 0.8 mm', 'JEDEC MS-026 BCB', 10, 10, 1.4, 0.05],
  ['LQFP-64, 0.5 mm', 'JEDEC MS-026 BCD', 10, 10, 1.4, 0.05],
  ['LQFP-100, 0.5 mm', 'JEDEC MS-026 BED', 14, 14, 1.4, 0.05],
  ['LQFP-144, 0.5 mm', 'JEDEC MS-026 BFB', 20, 20, 1.4, 0.05],
  ['LQFP-208, 0.5 mm', 'JEDEC MS-026 BJB', 28, 28, 1.4, 0.05],
  ['PQFP-100, 14 × 20 mm', 'JEDEC MS-022 GC', 14, 20, 2.8, 0.05],
  ['QFN-32, 0.5 mm', 'JEDEC MO-220 VHHD', 5, 5, 0.9, 0.05],
  ['QFN-64, 0.5 mm', 'JEDEC MO-220 VMMD', 9, 9, 0.9, 0.05],
  ['BGA-256, 1 mm', 'JEDEC MO-192', 17, 17, 1.7, 0.05],
  ['DIP-14', 'JEDEC MS-001 AA', 6.35, 19.05, 3.3, 0.05],
  ['TO-220', 'JEDEC TO-220 AB', 10.2, 4.5, 15, 0.3],
];

describe('bodies of standard outlines, row by row (from memory)', () => {
  it.each(OUTLINES)('%s, %s: %d × %d × %d mm within %d', (name, _standard, x, y, height, tolerance) => {
    const { body } = preset(name);
    expect(Math.abs(mm(body.length_m) - x)).toBeLessThanOrEqual(tolerance);
    expect(Math.abs(mm(body.width_m) - y)).toBeLessThanOrEqual(tolerance);
    expect(Math.abs(mm(body.height_m) - height)).toBeLessThanOrEqual(0.35);
  });
});

/**
 * One land of each: where its middle lies and how large it is, mm. IPC-7351B level N patterns as its tables
 * and usual tolerances give them, from memory; published patterns of one part differ by 0.2 mm among themselves.
 */
const LANDS: readonly (readonly [name: string, pad: string, x: number, y: number, w: number, h: number])[] = [
  ['Chip 0402', '2', 0.485, 0, 0.59, 0.64],
  ['Chip 0603', '2', 0.8, 0, 0.8, 0.95],
  ['Chip 0805', '2', 0.91, 0, 1.02, 1.4],
  ['Chip 1206', '2', 1.46, 0, 1.12, 1.75],
  ['Chip 1210', '2', 1.46, 0, 1.12, 2.65],
  ['Chip 2010', '2', 2.31, 0, 1.22, 2.65],
  ['Chip 2512', '2', 2.96, 0, 1.22, 3.35],
  ['SOIC-8', '8', 2.59, 1.905, 1.55, 0.6],
  ['SOIC-8', '1', -2.59, 1.905, 1.55, 0.6],
  ['SOIC-20, wide', '20', 4.65, 5.715, 1.9, 0.6],
  ['TSSOP-20', '20', 2.86, 2.925, 1.475, 0.4],
  ['SSOP-20', '20', 3.6, 2.925, 1.75, 0.45],
  ['TSOP II-44', '44', 5.56, 8.4, 1.4, 0.5],
  ['SOT-23', '3', 0.94, 0, 1.475, 0.6],
  ['LQFP-44, 0.8 mm', '1', -5.66, 4.0, 1.475, 0.55],
  ['LQFP-44, 0.8 mm', '12', -4.0, -5.66, 0.55, 1.475],
  ['LQFP-100, 0.5 mm', '1', -7.66, 6.0, 1.475, 0.3],
  ['LQFP-100, 0.5 mm', '51', 7.66, -6.0, 1.475, 0.3],
  ['QFN-32, 0.5 mm', '24', 2.44, 1.75, 0.875, 0.25],
];

describe('lands of standard outlines, row by row (IPC-7351B level N, from memory)', () => {
  it.each(LANDS)('%s pad %s: at %d, %d; %d × %d mm', (name, pad, x, y, w, h) => {
    const land = landShapes(preset(name)).find((l) => l.pad === pad)!;
    expect(Math.abs(mm(land.x_m) - x)).toBeLessThan(0.12);
    expect(Math.abs(mm(land.y_m) - y)).toBeLessThan(0.12);
    // Published patterns of one part differ by 0.2 mm along a lead; across a narrow one by far less.
    expect(Math.abs(mm(land.width_m) - w)).toBeLessThan(Math.min(0.22, 0.3 * w));
    expect(Math.abs(mm(land.height_m) - h)).toBeLessThan(Math.min(0.22, 0.3 * h));
  });

  it.each([
    ['BGA-256, 1 mm', 0.6, 0.45],
    ['BGA-400, 1.27 mm', 0.75, 0.55],
  ])(
    '%s: balls of %d mm on lands of %d mm (JEDEC MO-192 and MO-151, IPC-7351B, from memory)',
    (name, ball, wide) => {
      const part = preset(name) as SurfacePackage;
      expect(Math.abs(mm(part.lands[0]!.lead_m) - ball)).toBeLessThan(0.02);
      expect(Math.abs(mm(landShapes(part)[0]!.width_m) - wide)).toBeLessThan(0.03);
    },
  );

  it('a small ball’s land is four fifths of it, a large one’s three quarters (IPC-7351B, from memory)', () => {
    const share = (pitch_m: number): number => {
      const { lands } = surfacePackage({ family: 'bga', rows: 8, columns: 8, pitch_m });
      return lands[0]!.width_m / lands[0]!.lead_m;
    };
    expect(share(0.5e-3)).toBeCloseTo(0.8, 6);
    expect(share(1.27e-3)).toBeCloseTo(0.75, 6);
  });

  it('DIP rows lie 7.62 and 15.24 mm apart, their pins 2.54 mm (JEDEC MS-001 and MS-011)', () => {
    for (const [name, pins, apart] of [
      ['DIP-8', 8, 7.62],
      ['DIP-28, 15.24 mm', 28, 15.24],
      ['Socket for DIP-28', 28, 15.24],
    ] as const) {
      const lands = landShapes(preset(name));
      const at = (pad: number) => lands[pad - 1]!;
      expect(mm(at(pins).x_m - at(1).x_m)).toBeCloseTo(apart, 6);
      expect(at(pins).y_m).toBeCloseTo(at(1).y_m, 9);
      expect(mm(at(1).y_m - at(2).y_m)).toBeCloseTo(2.54, 6);
    }
  });
});

describe('a quad pack that is longer than wide (JEDEC MS-022, from memory)', () => {
  const lands = landShapes(preset('PQFP-100, 14 × 20 mm'));
  const at = (pad: number) => lands[pad - 1]!;

  it('has 30 pins on each long side and 20 on each short one, counter-clockwise from the top left', () => {
    expect(lands).toHaveLength(100);
    const left = lands.filter((l) => l.width_m > l.height_m && l.x_m < 0);
    expect(left.map((l) => Number(l.pad))).toEqual(Array.from({ length: 30 }, (_, i) => i + 1));
    expect(at(31).y_m).toBeLessThan(at(30).y_m);
    expect(at(51).x_m).toBeGreaterThan(at(50).x_m);
    expect(at(81).y_m).toBeGreaterThan(at(80).y_m);
    expect(at(80).y_m).toBeCloseTo(at(1).y_m, 9);
  });

  it('spans 17.9 mm across and 23.9 mm along, by leads of 0.88 mm', () => {
    const tip = (land: (typeof lands)[number], along: 'x' | 'y') =>
      mm(along === 'x' ? Math.abs(land.x_m) + land.width_m / 2 : Math.abs(land.y_m) + land.height_m / 2);
    // A land reaches 0.4 mm past the tip.
    expect(2 * (tip(at(1), 'x') - 0.4)).toBeCloseTo(17.9, 1);
    expect(2 * (tip(at(31), 'y') - 0.4)).toBeCloseTo(23.9, 1);
  });
});

/** Masses on data sheets, g, from memory; a part's makers differ by a third. */
const MASSES: readonly (readonly [name: string, mass_g: number])[] = [
  ['Chip 0402', 0.0007],
  ['Chip 0603', 0.0025],
  ['Chip 0805', 0.005],
  ['Chip 1206', 0.011],
  ['SOT-23', 0.009],
  ['SOIC-8', 0.075],
  ['SOIC-16', 0.15],
  ['SOIC-28, wide', 0.75],
  ['TSSOP-20', 0.077],
  ['PLCC-44', 2.4],
  ['LQFP-44, 0.8 mm', 0.34],
  ['LQFP-100, 0.5 mm', 0.66],
  ['LQFP-208, 0.5 mm', 2.6],
  ['QFN-32, 0.5 mm', 0.06],
  ['BGA-256, 1 mm', 0.9],
  ['DPAK', 0.33],
  ['DIP-14', 1.0],
  ['DIP-40, 15.24 mm', 6],
  ['TO-220', 1.9],
  ['Radial can 10 mm, pitch 5', 1.6],
];

describe('masses (data sheets, from memory)', () => {
  it.each(MASSES)('%s weighs about %d g', (name, mass_g) => {
    const ratio = (mass_kg(preset(name)) * 1e3) / mass_g;
    expect(ratio).toBeGreaterThan(0.6);
    expect(ratio).toBeLessThan(1.7);
  });
});
