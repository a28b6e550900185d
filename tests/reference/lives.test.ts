import { describe, expect, it } from 'vitest';
import { LAMINATE_IDS } from '~/core/materials/laminates';
import { foilThickness_m, kelvin } from '~/core/quantity/convert';
import { boardWeight } from '~/core/thermal/boardWeight';
import {
  bondEndurance,
  dose,
  doseRate_1_s,
  endurance,
  laminateEndurance,
  touchedBondEndurance,
  type Life,
} from '~/core/thermal/dose';
import { doseCurve, firstReached_s, valueAt } from '~/core/thermal/history';
import { boardTemperature_K } from '~/core/thermal/preheat';
import { arealHeat_J_m2K, type Board } from '~/core/thermal/stackup';
import { BOW_LIMIT, bowOfGradient, bowOfMismatch } from '~/core/thermal/warp';
import { FOUR_LAYER, TWO_LAYER } from '../support/samples';

const series = (count: number, of: (i: number) => number): Float64Array =>
  Float64Array.from({ length: count }, (_, i) => of(i));

// Miner, Journal of Applied Mechanics 12 (1945): damages at different levels add up as shares of life.
describe('shares of life', () => {
  const life = [endurance(600, 60)];
  const [a_K, b_K] = [kelvin(260), kelvin(288)];

  it('half a life at one temperature and half at another is one life', () => {
    const time_s = Float64Array.of(0, 300, 300.0001, 330.0001);
    expect(dose(life, time_s, Float64Array.of(a_K, a_K, b_K, b_K))).toBeCloseTo(1, 4);
  });

  it('add up over pieces of a history, however it is cut', () => {
    const time_s = series(101, (i) => 0.4 * i);
    const t_K = series(101, (i) => kelvin(150 + 130 * Math.sin((Math.PI * i) / 100)));
    const whole = dose(life, time_s, t_K);
    for (const cut of [1, 17, 50, 99]) {
      const head = dose(life, time_s.slice(0, cut + 1), t_K.slice(0, cut + 1));
      const tail = dose(life, time_s.slice(cut), t_K.slice(cut));
      expect(head + tail).toBeCloseTo(whole, 12);
    }
    expect(doseCurve(life, time_s, t_K).at(-1)).toBeCloseTo(whole, 12);
  });

  it('as a curve never fall, and are met where they say', () => {
    const time_s = series(50, (i) => 0.2 * i);
    const curve = doseCurve(
      life,
      time_s,
      series(50, (i) => kelvin(200 + 2 * i)),
    );
    for (let i = 1; i < curve.length; i++) expect(curve[i]!).toBeGreaterThan(curve[i - 1]!);
    const level = 0.5 * curve.at(-1)!;
    expect(valueAt(time_s, curve, firstReached_s(time_s, curve, level)!)).toBeCloseTo(level, 12);
    expect(firstReached_s(time_s, curve, 2 * curve.at(-1)!)).toBeNull();
  });
});

// Arrhenius: ln(life) is a straight line over 1/T, so any two of its points give the third.
describe('the line of a life', () => {
  it('passes through both of its points', () => {
    const life = [endurance(1800, 240)];
    expect(1 / doseRate_1_s(life, kelvin(260))).toBeCloseTo(1800, 6);
    expect(1 / doseRate_1_s(life, kelvin(288))).toBeCloseTo(240, 6);
  });

  it('at the harmonic middle of two temperatures is their geometric mean', () => {
    const life = [endurance(1800, 240)];
    const middle_K = 2 / (1 / kelvin(260) + 1 / kelvin(288));
    expect(1 / doseRate_1_s(life, middle_K)).toBeCloseTo(Math.sqrt(1800 * 240), 4);
  });

  it.each(LAMINATE_IDS)('%s: hotter is always shorter, and a bond never outlasts its laminate', (id) => {
    const board = laminateEndurance(id);
    for (const life of [bondEndurance(id), touchedBondEndurance(id, 1e-6)])
      for (const t_C of [200, 240, 260, 288, 330, 380]) {
        expect(doseRate_1_s(life, kelvin(t_C + 10))).toBeGreaterThan(doseRate_1_s(life, kelvin(t_C)));
        if (t_C >= 260 && t_C <= 288)
          expect(doseRate_1_s(life, kelvin(t_C))).toBeGreaterThanOrEqual(
            doseRate_1_s(board, kelvin(t_C)) * (1 - 1e-9),
          );
      }
  });

  it.each(LAMINATE_IDS)(
    '%s: pushed on, a smaller land lives shorter; by heat alone all lands are alike',
    (id) => {
      const rates = [0.1e-6, 0.5e-6, 2e-6, 10e-6].map((land_m2) =>
        doseRate_1_s(touchedBondEndurance(id, land_m2), kelvin(320)),
      );
      for (let i = 1; i < rates.length; i++) expect(rates[i]!).toBeLessThan(rates[i - 1]!);
      for (const rate of rates) expect(rate).toBeGreaterThan(doseRate_1_s(bondEndurance(id), kelvin(320)));
    },
  );
});

/** A land's histories as boards are qualified for them, °C at seconds; the share of a life that one takes. */
describe('what the bond of a land has to stand', () => {
  const spent = (life: Life, points: readonly (readonly [number, number])[]): number => {
    const time_s = points.map(([t]) => t);
    const fine_s = series(2001, (i) => (time_s.at(-1)! * i) / 2000);
    const t_K = fine_s.map((t) => {
      const i = Math.max(
        1,
        time_s.findIndex((known) => known >= t),
      );
      const [t0, a] = points[i - 1]!;
      const [t1, b] = points[i]!;
      return kelvin(a + ((t - t0) / (t1 - t0)) * (b - a));
    });
    return dose(life, fine_s, t_K);
  };
  const heat = bondEndurance('fr4-standard');
  const smallest = touchedBondEndurance('fr4-standard', 0.12e-6);
  const two_mm = touchedBondEndurance('fr4-standard', 3e-6);

  // J-STD-020 lead-free profile: 150 to 200 °C over 60 to 120 s, 60 to 150 s over 217 °C, 30 s within 5 K of 260 °C
  // (from memory).
  const LEAD_FREE = [
    [0, 25],
    [90, 150],
    [180, 200],
    [200, 217],
    [230, 255],
    [245, 260],
    [260, 255],
    [290, 217],
    [400, 60],
  ] as const;

  it('three lead-free passes of J-STD-020 leave most of it', () => {
    expect(3 * spent(heat, LEAD_FREE)).toBeLessThan(0.3);
  });

  it('an ordinary lead-free pass, 245 °C at its top, costs next to nothing', () => {
    const ordinary = LEAD_FREE.map(([t, C]) => [t, C > 217 ? 217 + ((C - 217) * 28) / 43 : C] as const);
    expect(spent(heat, ordinary)).toBeLessThan(0.05);
  });

  it('six convection passes of IPC-TM-650 2.6.27 at 260 °C do not end it (from memory)', () => {
    expect(6 * spent(heat, LEAD_FREE)).toBeLessThan(1);
  });

  it('six floats of ten seconds on solder at 288 °C do not end it (IPC-TM-650 2.6.8, from memory)', () => {
    expect(60 * doseRate_1_s(heat, kelvin(288))).toBeLessThan(1);
  });

  it('five times soldered and unsoldered by an iron, land at 315 °C for three seconds each, does not end a 2 mm land (IPC-TM-650 2.4.36, from memory)', () => {
    expect(2 * 5 * 3 * doseRate_1_s(two_mm, kelvin(315))).toBeLessThan(1);
  });

  it('ten seconds at 350 °C under an iron are about the end of a 2 mm land (common practice)', () => {
    const lasts_s = 1 / doseRate_1_s(two_mm, kelvin(350));
    expect(lasts_s).toBeGreaterThan(8);
    expect(lasts_s).toBeLessThan(12);
  });

  it('the smallest lands last a few seconds there, and no land ten at a tip’s 400 °C (common practice)', () => {
    const lasts_s = 1 / doseRate_1_s(smallest, kelvin(350));
    expect(lasts_s).toBeGreaterThan(2);
    expect(lasts_s).toBeLessThan(6);
    expect(10 * doseRate_1_s(two_mm, kelvin(400))).toBeGreaterThan(1);
  });
});

// Incropera, Fundamentals of Heat and Mass Transfer, §5.3: the general lumped capacitance analysis.
describe('a board over a preheater', () => {
  const heater = { kind: 'convective', setpoint_K: kelvin(150), soak_s: 120 } as const;

  it('is at the room without one, and before it has soaked', () => {
    expect(boardTemperature_K(TWO_LAYER, null, kelvin(23))).toBe(kelvin(23));
    expect(boardTemperature_K(TWO_LAYER, { ...heater, soak_s: 0 }, kelvin(23))).toBe(kelvin(23));
  });

  it('after one time constant has 63 % of its rise, after three 95 %', () => {
    const settled_K = boardTemperature_K(TWO_LAYER, { ...heater, soak_s: 1e6 }, kelvin(23));
    const rise = (soak_s: number): number =>
      (boardTemperature_K(TWO_LAYER, { ...heater, soak_s }, kelvin(23)) - kelvin(23)) /
      (settled_K - kelvin(23));
    // The constant is read off a short soak, where the rise is straight.
    const constant_s = 1 / (rise(0.01) / 0.01);
    // Still air above is no constant film: the law holds to a hundredth.
    expect(rise(constant_s)).toBeCloseTo(1 - Math.exp(-1), 2);
    expect(rise(3 * constant_s)).toBeCloseTo(0.95, 2);
    expect(constant_s).toBeGreaterThan(30);
    expect(constant_s).toBeLessThan(200);
  });

  it('never passes the preheater, and is warmer for longer and hotter', () => {
    let last_K = 0;
    for (const soak_s of [30, 60, 120, 300, 900]) {
      const t_K = boardTemperature_K(FOUR_LAYER, { ...heater, soak_s }, kelvin(23));
      expect(t_K).toBeGreaterThan(last_K);
      expect(t_K).toBeLessThan(heater.setpoint_K);
      last_K = t_K;
    }
  });

  it('takes longer the more copper it has', () => {
    const heavy: Board = {
      ...FOUR_LAYER,
      copper: FOUR_LAYER.copper.map((layer) => ({ ...layer, thickness_m: foilThickness_m(3) })),
    };
    // 2.4 layers of copper, each by 70 µm more, at 8960 kg/m³ and 385 J/kg K (Incropera, table A.1).
    const more_J_m2K = 2.4 * 2 * foilThickness_m(1) * 8960 * 385;
    expect((arealHeat_J_m2K(heavy) - arealHeat_J_m2K(FOUR_LAYER)) / more_J_m2K).toBeCloseTo(1, 1);
    expect(boardTemperature_K(heavy, heater, kelvin(23))).toBeLessThan(
      boardTemperature_K(FOUR_LAYER, heater, kelvin(23)),
    );
  });
});

describe('the weight of a board', () => {
  it('two bare layers are light, two poured ones middling, four with planes of two ounces heavy (common practice)', () => {
    const of = (...layers: [number, number][]): Board => ({
      ...TWO_LAYER,
      copper: layers.map(([coverage, oz]) => ({ coverage, thickness_m: foilThickness_m(oz) })),
    });
    expect(boardWeight(of([0.15, 1], [0.15, 1]))).toBe('light');
    expect(boardWeight(of([0.4, 1], [0.8, 1]))).toBe('middling');
    expect(boardWeight(of([0.3, 1], [0.9, 2], [0.9, 2], [0.3, 1]))).toBe('heavy');
  });
});

// Timoshenko & Woinowsky-Krieger, Theory of Plates and Shells, §14: a free plate under a uniform gradient is a cap of
// curvature αΔT/t, so its sagitta over a span L is L²αΔT/8t.
describe('bow of a gradient', () => {
  const [alpha, t_m] = [14e-6, 1.6e-3];
  const even = (count: number, span_m: number): Float64Array => new Float64Array(count).fill(span_m / count);

  it('is the same whether its span is cut evenly or not', () => {
    const sizes_m = series(60, (i) => (i < 30 ? 1e-3 : 2e-3));
    const cut = bowOfGradient(new Float64Array(60).fill(20), sizes_m, t_m, alpha);
    expect(cut).toBeCloseTo(bowOfGradient(new Float64Array(90).fill(20), even(90, 0.09), t_m, alpha), 4);
  });

  it('over a uniform one is the sagitta of the cap', () => {
    const span_m = 0.16;
    const bow = bowOfGradient(new Float64Array(400).fill(20), even(400, span_m), t_m, alpha);
    expect(bow).toBeCloseTo((span_m * alpha * 20) / (8 * t_m), 5);
  });

  it('goes with the span and against the thickness; a board without one is flat', () => {
    const warm = new Float64Array(200).fill(15);
    const one = bowOfGradient(warm, even(200, 0.1), t_m, alpha);
    expect(bowOfGradient(warm, even(200, 0.2), t_m, alpha)).toBeCloseTo(2 * one, 6);
    expect(bowOfGradient(warm, even(200, 0.1), 2 * t_m, alpha)).toBeCloseTo(one / 2, 6);
    expect(bowOfGradient(new Float64Array(200), even(200, 0.1), t_m, alpha)).toBe(0);
  });

  it('turned over bows as far the other way', () => {
    const lumpy = series(120, (i) => 30 * Math.exp(-(((i - 60) / 12) ** 2)));
    const turned = lumpy.map((d) => -d);
    expect(bowOfGradient(turned, even(120, 0.1), t_m, alpha)).toBeCloseTo(
      bowOfGradient(lumpy, even(120, 0.1), t_m, alpha),
      12,
    );
  });
});

// Timoshenko & Gere, Theory of Elastic Stability: a plate carries a mismatch flat until it buckles.
describe('bow of a zone that stiffened hot', () => {
  it('is none below the critical strain, and grows as its root above it', () => {
    const at = (mismatch_K: number): number => bowOfMismatch(mismatch_K, 4e-4, 0.16, 1.6e-3, 14e-6);
    expect(at(0)).toBe(0);
    expect(at(-40)).toBe(0);
    const critical_K =
      (1.6 * (1.6e-3 / 0.16) ** 2) / (0.5 * 14e-6 * ((2 * Math.sqrt(4e-4 / Math.PI)) / 0.16));
    expect(at(0.99 * critical_K)).toBe(0);
    expect(at(critical_K + 400) / at(critical_K + 100)).toBeCloseTo(2, 6);
  });

  it('a thicker board carries more of it flat', () => {
    expect(bowOfMismatch(400, 4e-4, 0.16, 3.2e-3, 14e-6)).toBeLessThan(
      bowOfMismatch(400, 4e-4, 0.16, 1.6e-3, 14e-6),
    );
  });

  it('surface boards are allowed half of what others are (IPC-6012, from memory)', () => {
    expect(BOW_LIMIT.surfaceMount).toBe(0.0075);
    expect(BOW_LIMIT.other).toBe(2 * BOW_LIMIT.surfaceMount);
  });
});
