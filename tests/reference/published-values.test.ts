import { describe, expect, it } from 'vitest';
import { ALLOYS } from '~/core/materials/alloys';
import { LAMINATES, PAD_BOND } from '~/core/materials/laminates';
import { celsius, foilThickness_m, kelvin } from '~/core/quantity/convert';
import { normalQuantile } from '~/core/statistics/normal';
import { doseRate_1_s, endurance, laminateEndurance } from '~/core/thermal/dose';
import { taperResistance_K_W } from '~/core/thermal/joint/tip';
import { TIP_CONSTRUCTIONS } from '~/core/materials/tips';
import { COPPER } from '~/core/materials/copper';
import { effectiveFraction } from '~/core/thermal/stackup';

describe('alloys: ISO 9453 / J-STD-006 melting ranges (from memory)', () => {
  it.each([
    ['sn60pb40', 183, 190],
    ['sn63pb37', 183, 183],
    ['sac305', 217, 220],
    ['sn993cu07', 227, 227],
  ] as const)('%s melts from %d to %d °C', (id, solidus_C, liquidus_C) => {
    expect(celsius(ALLOYS[id].solidus.value)).toBeCloseTo(solidus_C, 0);
    expect(celsius(ALLOYS[id].liquidus.value)).toBeCloseTo(liquidus_C, 0);
  });
});

describe('copper foil: IPC-4562 nominal 34.3 µm for 1 oz/ft² (from memory)', () => {
  it('is met within 2 %', () => {
    expect(foilThickness_m(1) / 34.3e-6).toBeGreaterThan(0.98);
    expect(foilThickness_m(1) / 34.3e-6).toBeLessThan(1.02);
  });
});

describe('time to delamination: IPC-TM-650 2.4.24.1, T260 and T288', () => {
  it('one whole life is spent in T260 at 260 °C and in T288 at 288 °C', () => {
    const life = laminateEndurance('fr4-standard');
    const { t260, t288 } = LAMINATES['fr4-standard'];
    expect(doseRate_1_s(life, kelvin(260)) * t260.value).toBeCloseTo(1, 9);
    expect(doseRate_1_s(life, kelvin(288)) * t288.value).toBeCloseTo(1, 9);
  });

  it('standard FR-4 lies within 10–30 min and 2–5 min (from memory)', () => {
    const { t260, t288 } = LAMINATES['fr4-standard'];
    expect(t260.value).toBeGreaterThanOrEqual(600);
    expect(t260.value).toBeLessThanOrEqual(1800);
    expect(t288.value).toBeGreaterThanOrEqual(120);
    expect(t288.value).toBeLessThanOrEqual(300);
  });
});

describe('pad bond anchors', () => {
  const life = endurance(PAD_BOND.t260.value, PAD_BOND.t288.value);

  // What the line is drawn through; whether it is right is for the checks after it.
  it('runs through six 10 s solder floats at 288 °C (IPC-TM-650 2.4.8 thermal stress, from memory)', () => {
    expect(60 * doseRate_1_s(life, kelvin(288))).toBeCloseTo(1, 6);
  });

  it('lets a land outlive five times on and off with an iron of 260 °C, 4 s each (IPC-TM-650 2.4.21, from memory)', () => {
    expect(2 * 5 * 4 * doseRate_1_s(life, kelvin(260))).toBeLessThan(1);
  });

  it('leaves lands on through three reflow passes, 80 s over 217 °C with 10 s at 245 °C each (J-STD-020 profile, from memory)', () => {
    const pass = 70 * doseRate_1_s(life, kelvin(230)) + 10 * doseRate_1_s(life, kelvin(245));
    expect(3 * pass).toBeLessThan(1);
  });

  it('does not let a land stand a tip’s 400 °C for as long as ten seconds (common practice)', () => {
    expect(10 * doseRate_1_s(life, kelvin(400))).toBeGreaterThan(1);
  });

  it('a small land at 350 °C lasts about ten seconds (common practice)', () => {
    const lasts_s = 1 / doseRate_1_s(life, kelvin(350));
    expect(lasts_s).toBeGreaterThan(9);
    expect(lasts_s).toBeLessThan(11);
  });
});

describe('normal quantile: Abramowitz & Stegun table 26.1 and 26.6', () => {
  it.each([
    [0.5, 0],
    [0.9, 1.2815515655],
    [0.975, 1.9599639845],
    [0.99, 2.326347874],
    [0.001, -3.0902323062],
    [1e-9, -5.997807015],
  ])('p = %d gives %d', (p, z) => {
    expect(normalQuantile(p)).toBeCloseTo(z, 8);
  });
});

describe('tip taper: conduction through a cone frustum (Incropera ch. 3)', () => {
  it('agrees with slicing the frustum into discs', () => {
    const tip = { shape: 'chisel', width_m: 2.4e-3, construction: 'cartridge' } as const;
    const { taperLength, shankDiameter } = TIP_CONSTRUCTIONS.cartridge;
    const n = 20_000;
    let sum = 0;
    for (let i = 0; i < n; i++) {
      const share = (i + 0.5) / n;
      const radius = (shankDiameter.value + share * (tip.width_m - shankDiameter.value)) / 2;
      sum += taperLength.value / n / (COPPER.conductivity.value * Math.PI * radius ** 2);
    }
    expect(taperResistance_K_W(tip)).toBeCloseTo(sum, 4);
  });
});

describe('copper coverage as a medium', () => {
  it('is Maxwell’s for planes with holes, φ/(2−φ), and whole for a whole sheet', () => {
    expect(effectiveFraction(1)).toBeCloseTo(1, 12);
    expect(effectiveFraction(0.9)).toBeCloseTo(0.9 / 1.1, 12);
  });

  it('rises with coverage everywhere', () => {
    for (let c = 0.02; c <= 1; c += 0.02)
      expect(effectiveFraction(c)).toBeGreaterThan(effectiveFraction(c - 0.02));
  });
});
