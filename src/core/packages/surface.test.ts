import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formOf, hasTabs } from './form';
import { surfacePackage, USUAL_PINS, type SurfaceSpec } from './outlines';
import { rowLetters } from './surface';
import { SURFACE_FAMILY_IDS } from './surfaceFamilies';

const land = (spec: SurfaceSpec, pad: string) => surfacePackage(spec).lands.find((l) => l.pad === pad)!;

describe('a connector on lands', () => {
  it('has one row and a tab at either end, or two rows; tabs are lands that must melt as well', () => {
    const one = surfacePackage({ family: 'connector', pins: 6, rows: 1 });
    expect(one.lands.map((land) => land.pad)).toEqual(['1', '2', '3', '4', '5', '6', 'T1', 'T2']);
    expect(hasTabs(one)).toBe(true);
    const pins = one.lands.slice(0, 6);
    const [tab] = one.lands.slice(6);
    // A tab holds more copper than any pin: it melts last (common practice).
    expect(tab!.width_m * tab!.height_m).toBeGreaterThan(
      Math.max(...pins.map((l) => l.width_m * l.height_m)),
    );
    expect(Math.max(...pins.map((l) => l.x_m + l.width_m / 2))).toBeLessThan(tab!.x_m - tab!.width_m / 2);
    const two = surfacePackage({ family: 'connector', pins: 10 });
    expect(two.lands).toHaveLength(10);
    expect(hasTabs(two)).toBe(false);
  });
});

describe('numbering (JEDEC outlines, from memory)', () => {
  it('small-outline parts go down the left and up the right', () => {
    const soic = { family: 'soic', pins: 8 } as const;
    expect(land(soic, '1').x_m).toBeLessThan(0);
    expect(land(soic, '1').y_m).toBeCloseTo(1.5 * 1.27e-3, 9);
    expect(land(soic, '4').y_m).toBeCloseTo(-1.5 * 1.27e-3, 9);
    expect(land(soic, '5').x_m).toBeGreaterThan(0);
    expect(land(soic, '5').y_m).toBeCloseTo(land(soic, '4').y_m, 9);
    expect(land(soic, '8').y_m).toBeCloseTo(land(soic, '1').y_m, 9);
  });

  it('quad flat packs go counter-clockwise from the top of the left side', () => {
    const qfp = { family: 'qfp', pins: 44, pitch_m: 0.8e-3 } as const;
    const at = (pad: string) => land(qfp, pad);
    expect([at('1').x_m < 0, at('1').y_m > 0]).toEqual([true, true]);
    expect([at('12').x_m < 0, at('12').y_m < at('11').y_m]).toEqual([true, true]);
    expect([at('23').x_m > 0, at('23').y_m < 0]).toEqual([true, true]);
    expect([at('34').x_m > 0, at('34').y_m > 0]).toEqual([true, true]);
    expect([at('44').x_m < 0, at('44').y_m > at('1').y_m]).toEqual([true, true]);
  });

  it('a PLCC’s pin one is the middle of a side (MO-047)', () => {
    expect(land({ family: 'plcc', pins: 44 }, '1').y_m).toBeCloseTo(0, 9);
  });

  it('array rows leave out I, O, Q, S, X and Z, and go on with AA', () => {
    const letters = Array.from({ length: 22 }, (_, i) => rowLetters(i));
    expect(letters.slice(0, 20).join('')).toBe('ABCDEFGHJKLMNPRTUVWY');
    expect(letters.slice(20)).toEqual(['AA', 'AB']);
  });
});

describe('outlines (JEDEC, typical figures in mm, from memory)', () => {
  it.each([
    [{ family: 'soic', pins: 8 }, 3.9, 4.9, 6.0],
    [{ family: 'soic', pins: 14 }, 3.9, 8.7, 6.0],
    [{ family: 'ssop', pins: 20 }, 5.3, 7.2, 7.8],
    [{ family: 'plcc', pins: 28 }, 11.5, 11.5, 12.45],
    [{ family: 'plcc', pins: 44 }, 16.6, 16.6, 17.53],
    [{ family: 'qfp', pins: 100 }, 14, 14, 16],
    [{ family: 'qfp', pins: 44, pitch_m: 0.8e-3 }, 10, 10, 12],
    [{ family: 'qfn', pins: 32 }, 5, 5, 5],
    [{ family: 'bga', pins: 256 }, 17, 17, 17],
  ] as [SurfaceSpec, number, number, number][])('%j: body %d × %d, span %d', (spec, length, width, span) => {
    const part = surfacePackage(spec);
    expect(Math.abs(part.body.length_m * 1e3 - length)).toBeLessThan(0.15);
    expect(Math.abs(part.body.width_m * 1e3 - width)).toBeLessThan(0.15);
    const reach = 2 * Math.max(...part.lands.map((l) => Math.abs(l.x_m) + l.width_m / 2));
    // Lands reach past the leads by a toe fillet of about a third of a millimetre each side.
    if (spec.family !== 'bga') expect(Math.abs(reach * 1e3 - span)).toBeLessThan(1);
  });
});

describe('every family', () => {
  it.each(SURFACE_FAMILY_IDS)('%s: as many lands as pins, none over another, sound forms', (family) => {
    const part = surfacePackage({ family });
    expect(part.lands.length).toBe(USUAL_PINS[family] + (family === 'qfn' ? 1 : 0));
    expect(new Set(part.lands.map((l) => l.pad)).size).toBe(part.lands.length);
    part.lands.forEach((a, i) =>
      part.lands.slice(i + 1).forEach((b) => {
        const apart =
          Math.abs(a.x_m - b.x_m) >= (a.width_m + b.width_m) / 2 - 1e-9 ||
          Math.abs(a.y_m - b.y_m) >= (a.height_m + b.height_m) / 2 - 1e-9;
        expect(apart).toBe(true);
      }),
    );
    const form = formOf(part, 'sac305', 1.6e-3);
    for (const pad of form.pads) {
      for (const value of [pad.solder_m3, pad.lead_W_K, pad.foot_J_K]) {
        expect(value).toBeGreaterThan(0);
        expect(value).toBeLessThan(100);
      }
    }
    expect(form.body.capacity_J_K).toBeGreaterThan(0);
    expect(form.body.limit_K).toBeGreaterThan(470);
  });

  it('any quad pack is its own image turned by a quarter', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 60 }),
        fc.constantFrom(0.4, 0.5, 0.65, 0.8),
        (perSide, pitch_mm) => {
          const { lands } = surfacePackage({ family: 'qfp', pins: 4 * perSide, pitch_m: pitch_mm * 1e-3 });
          lands.forEach((a, i) => {
            const b = lands[(i + perSide) % lands.length]!;
            expect(b.x_m).toBeCloseTo(-a.y_m, 12);
            expect(b.y_m).toBeCloseTo(a.x_m, 12);
          });
        },
      ),
      { seed: 5, numRuns: 40 },
    );
  });
});
