import { describe, expect, it } from 'vitest';
import { kelvin } from '~/core/quantity/convert';
import { simulateField, type FieldRun } from '~/core/thermal/field/run';
import type { Stage } from '~/core/thermal/field/scenario';
import { BOW_LIMIT } from '~/core/thermal/warp';
import {
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

/** Facts of the trade that the board-scale model must meet. All are common practice; none is a published number. */

const lastMelt_s = (run: FieldRun, ref = 'U1'): number =>
  Math.max(...run.pads.filter((pad) => pad.ref === ref).map((pad) => pad.fullMelt_s ?? Infinity));

const body = (run: FieldRun, ref: string) => run.bodies.find((b) => b.ref === ref)!;

describe('a small surface can capacitor (common practice)', () => {
  const can = surfacePart({ family: 'canElectrolytic', diameter_m: 6.3e-3 });
  const near = jetOver(330, round(8e-3), 30, 10e-3);
  const general = jetOver(330, round(8e-3), 30, 40e-3);
  const cold = simulateField(field(TWO_LAYERS, [can], [stage(60, near)]));
  const warmed = simulateField(field(TWO_LAYERS, [can], [stage(60, general), stage(60, near)]));

  it('warmed about a minute, it melts within ten seconds of concentrating', () => {
    expect(lastMelt_s(warmed)).toBeGreaterThan(60);
    expect(lastMelt_s(warmed) - 60).toBeLessThan(10);
  });

  it('a cold start shocks it: its body rises much faster', () => {
    expect(body(cold, 'U1').maxRamp_K_s / body(warmed, 'U1').maxRamp_K_s).toBeGreaterThan(1.5);
  });
});

describe('a many-pin flat pack (common practice)', () => {
  const pack = surfacePart({ family: 'qfp', pins: 100 }, { planes: true });
  const plain = surfacePart({ family: 'qfp', pins: 100 });
  const air = jetOver(350, square(18e-3), 40, 5e-3);
  const heavy = simulateField(field(HEAVY_FOUR, [pack], [stage(400, air)]));
  const light = simulateField(field(TWO_LAYERS, [plain], [stage(400, air)]));

  it('on four layers with heavy inner copper takes minutes with air alone', () => {
    expect(lastMelt_s(heavy)).toBeGreaterThan(90);
    expect(lastMelt_s(heavy)).toBeLessThan(400);
  });

  it('several times longer than on two layers', () => {
    expect(lastMelt_s(heavy) / lastMelt_s(light)).toBeGreaterThan(2.5);
  });

  it('preheating from below cuts the time under air by more than half', () => {
    const soak_s = 240;
    const below = fromBelow(200);
    const warmed = simulateField(
      field(HEAVY_FOUR, [pack], [stage(soak_s, null, below), stage(200, air, below)]),
    );
    expect((lastMelt_s(warmed) - soak_s) / lastMelt_s(heavy)).toBeLessThan(0.5);
  });

  it('the ground pins melt last', () => {
    const melts = [...heavy.pads].sort((a, b) => (a.fullMelt_s ?? Infinity) - (b.fullMelt_s ?? Infinity));
    const ground = new Set(heavy.pads.filter((_, i) => i % 10 === 0).map((pad) => pad.pad));
    expect(melts.slice(-ground.size).every((pad) => ground.has(pad.pad))).toBe(true);
  });
});

describe('cool-down of a large board (common practice)', () => {
  const board = { ...HEAVY_FOUR, length_m: 0.25, width_m: 0.2 };
  const pack = surfacePart({ family: 'qfp', pins: 100 }, { planes: true });
  const air = jetOver(400, square(18e-3), 40, 5e-3);
  const bowLeft = (coolDown: Stage[]): number =>
    simulateField(field(board, [pack], [stage(200, air), ...coolDown]), { pitch_m: 4e-3 }).board.bowLeft;

  it('left to itself after air alone it keeps more bow than surface-mount boards may have', () => {
    expect(bowLeft([stage(300, null)])).toBeGreaterThan(BOW_LIMIT.surfaceMount);
  });

  it('slowed, with the board brought up from below while the spot cools, it keeps within the limit', () => {
    const below = { ...fromBelow(200), endSetpoint_K: kelvin(60) };
    const slowed = [
      stage(240, { ...air, endAir_K: kelvin(150) }, fromBelow(200)),
      stage(300, null, below),
      stage(200, null),
    ];
    expect(bowLeft(slowed)).toBeLessThan(BOW_LIMIT.surfaceMount);
  });
});

describe('neighbours of a nozzle (common practice)', () => {
  const nozzle_m = 8e-3;
  const target = surfacePart({ family: 'soic', pins: 8 });
  const LIMIT_K = 473.15;
  const run = (away_m: number, shielded: boolean): FieldRun =>
    simulateField(
      field(
        TWO_LAYERS,
        [target, surfacePart({ family: 'chip', code: '0603' }, { ref: 'R1', x_m: 0.08 + away_m })],
        [stage(15, jetOver(350, round(nozzle_m), 40, 8e-3))],
        shielded
          ? [
              {
                kind: 'foil',
                side: 'top',
                from_m: [0.08 + away_m - 3e-3, 0.03],
                to_m: [0.08 + away_m + 25e-3, 0.07],
              },
            ]
          : [],
      ),
    );

  it('one at the edge passes 200 °C', () => {
    expect(body(run(10e-3, false), 'R1').peak_K).toBeGreaterThan(LIMIT_K);
  });

  it('foil over it keeps it under', () => {
    const shielded = run(10e-3, true);
    expect(body(shielded, 'R1').peak_K).toBeLessThan(LIMIT_K);
    expect(lastMelt_s(shielded)).toBeLessThan(15);
  });

  it('one three diameters away needs none', () => {
    expect(body(run(3 * nozzle_m, false), 'R1').peak_K).toBeLessThan(LIMIT_K);
  });
});
