import { describe, expect, it } from 'vitest';
import { ALLOYS } from '~/core/materials/alloys';
import { LAMINATES } from '~/core/materials/laminates';
import { celsius, foilThickness_m, kelvin } from '~/core/quantity/convert';
import { normalQuantile } from '~/core/statistics/normal';
import { doseRate_1_s, laminateEndurance } from '~/core/thermal/dose';
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
