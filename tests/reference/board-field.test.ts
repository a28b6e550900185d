import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kelvin } from '~/core/quantity/convert';
import { Superposition, unitResponses } from '~/core/thermal/field/respond';
import { simulateField } from '~/core/thermal/field/run';
import { NOMINAL_FIELD, type FieldScenario } from '~/core/thermal/field/scenario';
import {
  AMBIENT_K,
  field,
  fromBelow,
  HEAVY_FOUR,
  jetOver,
  round,
  square,
  stage,
  surfacePart,
  TWO_LAYERS,
} from '../support/field';

/** Properties that any right answer has, whatever its numbers; each is a theorem of the equations solved. */

const PENCIL = jetOver(350, round(8e-3), 40, 16e-3);

describe('energy in = stored + lost', () => {
  it('closes to 1e-9 over random boards, parts, jets and preheaters (asked: 1e-6)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('qfp', 'soic', 'chip', 'bga', 'plcc', 'canElectrolytic', 'dpak', 'qfn' as const),
        fc.constantFrom(TWO_LAYERS, HEAVY_FOUR),
        fc.integer({ min: 250, max: 450 }),
        fc.integer({ min: 10, max: 80 }),
        fc.constantFrom('convective', 'infrared', 'plate' as const),
        (family, board, air_C, flow, kind) => {
          const run = simulateField(
            field(
              board,
              [
                surfacePart({ family }, { planes: true }),
                surfacePart({ family: 'chip' }, { ref: 'R1', x_m: 0.1 }),
              ],
              [
                stage(20, null, fromBelow(180, kind)),
                stage(40, jetOver(air_C, round(8e-3), flow, 12e-3), fromBelow(180, kind)),
                stage(20, null),
              ],
            ),
            { pitch_m: 4e-3 },
          );
          expect(run.outcome).toBe('done');
          expect(run.energy.in_J).toBeGreaterThan(0);
          expect(run.energy.relativeResidual).toBeLessThan(1e-9);
        },
      ),
      { seed: 11, numRuns: 25 },
    );
  });
});

describe('no place passes its sources', () => {
  it('stays between ambient and the air, on packs, chips and under melting solder', () => {
    for (const family of ['chip', 'sot23', 'soic', 'qfp', 'bga'] as const) {
      const run = simulateField(field(TWO_LAYERS, [surfacePart({ family })], [stage(60, PENCIL)]));
      for (const row of [...run.pads, ...run.bodies].map((place) => place.history_K)) {
        expect(Math.max(...row)).toBeLessThan(kelvin(350));
        expect(Math.min(...row)).toBeGreaterThanOrEqual(AMBIENT_K - 1e-9);
      }
    }
  });
});

describe('symmetry', () => {
  const half = { length_m: 0.12, width_m: 0.12 };
  const board = { ...HEAVY_FOUR, ...half };
  const melts = (scenario: FieldScenario): Map<string, number> =>
    new Map(
      simulateField(scenario, { step_s: 0.5 }).pads.map((pad) => [pad.pad, pad.fullMelt_s ?? Infinity]),
    );

  it('a part and jet mirrored about the board’s middle melt at the same time', () => {
    const at = (x_m: number): number =>
      simulateField(
        field(
          board,
          [surfacePart({ family: 'soic', pins: 8 }, { x_m, y_m: 0.05 })],
          [stage(60, jetOver(350, round(8e-3), 40, 12e-3, { x_m, y_m: 0.05 }))],
        ),
        { step_s: 0.5 },
      ).bodies[0]!.peak_K;
    expect(at(0.042)).toBeCloseTo(at(0.12 - 0.042), 8);
  });

  it('left and right rows of a centred part melt together', () => {
    const when = melts(
      field(
        board,
        [surfacePart({ family: 'soic', pins: 8 }, { x_m: 0.06, y_m: 0.06 })],
        [stage(60, jetOver(350, round(8e-3), 40, 12e-3, { x_m: 0.06, y_m: 0.06 }))],
      ),
    );
    for (const [left, right] of [
      ['1', '8'],
      ['2', '7'],
      ['3', '6'],
      ['4', '5'],
    ] as const) {
      expect(when.get(left)!).toBeCloseTo(when.get(right)!, 6);
    }
  });

  it('a board turned by 90° gives the same answer', () => {
    const straight = { ...HEAVY_FOUR, length_m: 0.16, width_m: 0.08 };
    const turned = { ...HEAVY_FOUR, length_m: 0.08, width_m: 0.16 };
    const spec = { family: 'soic', pins: 8 } as const;
    const a = simulateField(
      field(
        straight,
        [surfacePart(spec, { x_m: 0.05, y_m: 0.03, planes: true })],
        [stage(60, jetOver(350, round(8e-3), 40, 12e-3, { x_m: 0.05, y_m: 0.03 }))],
      ),
      { step_s: 0.25 },
    );
    // (x, y) turns to (W − y, x).
    const b = simulateField(
      field(
        turned,
        [surfacePart(spec, { x_m: 0.08 - 0.03, y_m: 0.05, planes: true, rotation_rad: Math.PI / 2 })],
        [stage(60, jetOver(350, round(8e-3), 40, 12e-3, { x_m: 0.08 - 0.03, y_m: 0.05 }))],
      ),
      { step_s: 0.25 },
    );
    // Rows and columns are factored in the other order: equal to the splitting's own error.
    a.pads.forEach((pad, i) => expect(Math.abs(pad.peak_K - b.pads[i]!.peak_K)).toBeLessThan(0.3));
  });

  it('a part below is heated from below as one above from above', () => {
    const above = { ...surfacePart({ family: 'plcc', pins: 44 }), connections: {} };
    // Natural convection differs between the faces, so it is left out.
    const options = { factors: { ...NOMINAL_FIELD, stillAir: 0 }, step_s: 0.5 };
    const top = simulateField(field(TWO_LAYERS, [above], [stage(40, PENCIL)]), options);
    const bottom = simulateField(
      field(TWO_LAYERS, [{ ...above, side: 'bottom' }], [stage(40, { ...PENCIL, side: 'bottom' })]),
      options,
    );
    expect(bottom.bodies[0]!.peak_K).toBeCloseTo(top.bodies[0]!.peak_K, 6);
  });
});

describe('superposition of unit responses', () => {
  const scenario = field(
    HEAVY_FOUR,
    [surfacePart({ family: 'qfp', pins: 100 }, { planes: true })],
    [stage(120, null, fromBelow(180)), stage(120, jetOver(380, square(18e-3), 40, 5e-3), fromBelow(180))],
  );
  const responses = unitResponses(scenario, 420, { pitch_m: 4e-3 });

  it.each([
    [380, 180],
    [300, 150],
    [430, 220],
  ])(
    'air %d °C and preheater %d °C: within 0.1 K of a direct solve of the linear case',
    (air_C, preheat_C) => {
      const direct = simulateField(scenario, {
        pitch_m: 4e-3,
        step_s: 1,
        linearAt_K: 420,
        sourcesAt_K: { air: kelvin(air_C), preheat: kelvin(preheat_C) },
      });
      const sum = new Superposition(responses, kelvin(air_C), kelvin(preheat_C));
      [...direct.pads, ...direct.bodies].forEach((place, p) => {
        place.history_K.forEach((t, i) => expect(Math.abs(sum.at_K(p, i) - t)).toBeLessThan(0.1));
      });
    },
  );

  it('is within 25 K of the full model, which radiates and melts: why a choice is verified', () => {
    const full = simulateField(scenario, { pitch_m: 4e-3, step_s: 1 });
    const sum = new Superposition(responses, kelvin(380), kelvin(180));
    const off = full.pads.map((pad, p) => Math.abs(sum.history_K(p).at(-1)! - pad.history_K.at(-1)!));
    expect(Math.max(...off)).toBeLessThan(25);
  });
});

describe('convergence of a whole run', () => {
  const scenario = field(
    HEAVY_FOUR,
    [surfacePart({ family: 'qfp', pins: 100 }, { planes: true })],
    [stage(60, jetOver(400, square(18e-3), 60, 5e-3))],
  );
  const last = (options: Parameters<typeof simulateField>[1]): number =>
    Math.max(...simulateField(scenario, options).pads.map((pad) => pad.peak_K));

  it('chosen steps are within 2 K, a hundredth of the rise, of steps of 50 ms', () => {
    expect(Math.abs(last({ pitch_m: 4e-3 }) - last({ pitch_m: 4e-3, step_s: 0.05 }))).toBeLessThan(2);
  });

  it('2 mm cells are within 4 K of 1 mm cells', () => {
    expect(Math.abs(last({ pitch_m: 2e-3 }) - last({ pitch_m: 1e-3 }))).toBeLessThan(4);
  });

  it('a layer for each copper layer is within 3 K of seven layers', () => {
    expect(Math.abs(last({ layers: 4 }) - last({ layers: 7 }))).toBeLessThan(3);
  });
});
