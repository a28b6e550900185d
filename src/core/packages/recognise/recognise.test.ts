import { describe, expect, it } from 'vitest';
import { landShapes, type PartPackage } from '../form';
import { surfacePackage, type SurfaceSpec } from '../outlines';
import { codesOf } from '../sizes';
import { recognise, recogniseAll } from './recognise';
import type { SeenLand } from './seen';

/** Lands of a part as an import would find them: turned, moved and a little off. */
function seenOf(part: PartPackage, turn_deg = 0, noise_m = 0): SeenLand[] {
  const angle = (turn_deg * Math.PI) / 180;
  return landShapes(part).map((land, i) => ({
    pad: land.pad,
    x_m: 0.03 + land.x_m * Math.cos(angle) - land.y_m * Math.sin(angle) + noise_m * Math.sin(7 * i),
    y_m: 0.02 + land.x_m * Math.sin(angle) + land.y_m * Math.cos(angle) + noise_m * Math.cos(5 * i),
    width_m: land.width_m,
    height_m: land.height_m,
    hole_m: land.hole_m,
  }));
}

const surface = (spec: SurfaceSpec): PartPackage => surfacePackage(spec);

describe('recognising a surface part by its lands', () => {
  const cases: SurfaceSpec[] = [
    ...codesOf('chip').map((code): SurfaceSpec => ({ family: 'chip', code })),
    { family: 'soic', pins: 8 },
    { family: 'soic', pins: 20 },
    { family: 'ssop', pins: 20 },
    { family: 'tsop', pins: 44 },
    { family: 'plcc', pins: 44 },
    { family: 'qfp', pins: 44, pitch_m: 0.8e-3 },
    { family: 'qfp', pins: 208 },
    { family: 'qfn', pins: 32 },
    { family: 'sot23' },
    { family: 'bga', pins: 256 },
  ];
  for (const spec of cases) {
    it(`${spec.family} ${spec.code ?? spec.pins ?? ''} however it is turned`, () => {
      for (const turn of [0, 90, 180, -90, 45]) {
        const found = recognise(seenOf(surface(spec), turn, 0.005e-3))!;
        expect(found.part).toMatchObject({ kind: 'surface', spec: { family: spec.family } });
        if (spec.code) expect(found.part).toMatchObject({ spec: { code: spec.code } });
        // A tiny chip's pads lie so close that 0.03 mm turns it by two degrees.
        const off_deg = (((found.rotation_rad * 180) / Math.PI - turn + 540) % 360) - 180;
        expect(Math.abs(off_deg)).toBeLessThan(4);
        expect(Math.hypot(found.x_m - 0.03, found.y_m - 0.02)).toBeLessThan(0.1e-3);
      }
    });
  }

  // Rule broken: findings B8 (plan), switches, relays, crystals and connectors on lands had no family.
  it('takes a part’s letters where its lands tell nothing', () => {
    const row = (pins: number, pitch_m: number): SeenLand[] =>
      Array.from({ length: pins }, (_, i) => ({
        pad: String(i + 1),
        x_m: 0.02 + i * pitch_m,
        y_m: 0.01,
        width_m: 1.8e-3,
        height_m: 1.8e-3,
        hole_m: 1e-3,
      }));
    const familyOf = (ref: string, lands: SeenLand[]): string | undefined => {
      const part = recogniseAll(lands, ref)[0]?.part;
      return part?.kind === 'through-hole' ? part.part.family : part?.spec.family;
    };
    expect(familyOf('Y1', row(2, 4.9e-3))).toBe('crystal');
    expect(familyOf('C1', row(2, 4.9e-3))).toBe('radial');
    expect(familyOf('BT1', row(2, 20e-3))).toBe('cell');
    expect(familyOf('K2', row(5, 2.54e-3))).toBe('relay');
    expect(familyOf('SW3', row(3, 2.54e-3))).toBe('switch');
    expect(familyOf('', row(5, 2.54e-3))).toBe('header');
  });

  it('tells chips by land patterns as layouts have them (IPC-7351 nominal, from memory)', () => {
    const pairs = [
      ['0402', 0.96, 0.56, 0.62],
      ['0603', 1.65, 0.8, 0.95],
      ['0805', 1.9, 1.0, 1.45],
      ['1206', 2.93, 1.1, 1.8],
    ] as const;
    for (const [code, apart_mm, width_mm, height_mm] of pairs) {
      const land = (pad: string, x_mm: number): SeenLand => ({
        pad,
        x_m: x_mm * 1e-3,
        y_m: 0.02,
        width_m: width_mm * 1e-3,
        height_m: height_mm * 1e-3,
        hole_m: null,
      });
      expect(recognise([land('1', 5), land('2', 5 + apart_mm)])!.part, code).toMatchObject({
        spec: { code },
      });
    }
  });

  it('sets the span from rows that lie wider than usual', () => {
    const wide = surface({ family: 'soic', pins: 16, length_m: 7.5e-3 });
    const found = recognise(seenOf(wide))!;
    expect(found.part.kind === 'surface' && surfacePackage(found.part.spec).lands[0]!.x_m).toBeCloseTo(
      landShapes(wide)[0]!.x_m,
      6,
    );
  });
});

describe('recognising a through-hole part', () => {
  const holes = (...places: [number, number][]): SeenLand[] =>
    places.map(([x_mm, y_mm], i) => ({
      pad: String(i + 1),
      x_m: x_mm * 1e-3,
      y_m: y_mm * 1e-3,
      width_m: 1.6e-3,
      height_m: 1.6e-3,
      hole_m: 0.8e-3,
    }));

  it('a pair close by is radial, far apart axial', () => {
    expect(recognise(holes([0, 0], [5, 0]))!.part).toMatchObject({
      part: { family: 'radial', pitch_m: 5e-3 },
    });
    expect(recognise(holes([0, 0], [0, 10.16]))!.part).toMatchObject({ part: { family: 'axial' } });
  });

  it('two rows are a DIP, with its row spacing', () => {
    const dip = holes([0, 5.08], [0, 2.54], [0, 0], [7.62, 0], [7.62, 2.54], [7.62, 5.08]);
    const { part } = recognise(dip)!;
    expect(part).toMatchObject({ part: { family: 'dip', pins: 6 } });
    expect(part.kind === 'through-hole' && part.part.rowSpacing_m).toBeCloseTo(7.62e-3, 6);
  });

  it('a row is a header; its lead is a clearance thinner than its hole', () => {
    const { part } = recognise(holes([0, 0], [2.54, 0], [5.08, 0], [7.62, 0]))!;
    expect(part).toMatchObject({ part: { family: 'header', pins: 4 } });
    expect(part.kind === 'through-hole' && part.part.leadDiameter_m).toBeCloseTo(0.55e-3, 6);
  });
});

describe('lands that fit nothing', () => {
  it('are not called a part', () => {
    const scattered = seenOf(surface({ family: 'soic', pins: 8 })).map((land, i) => ({
      ...land,
      y_m: land.y_m + (i % 2) * 2e-3,
    }));
    expect(recognise(scattered)).toBeNull();
    expect(recognise([])).toBeNull();
  });
});
