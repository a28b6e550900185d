import { describe, expect, it } from 'vitest';
import { airAt } from '~/core/materials/airTable';
import { kelvin } from '~/core/quantity/convert';
import {
  jetNumbers,
  jetOutsideRange,
  MOST_MACH,
  outletMach,
  massFlow_kg_s,
  roundLocalNusselt,
  roundMeanNusselt,
  slotMeanNusselt,
} from '~/core/thermal/surface/jet';
import { jetOver, mouthSeen } from '~/core/thermal/surface/jetFilm';
import { preheaterFilm_W_m2K } from '~/core/thermal/surface/preheater';
import {
  naturalFilm_W_m2K,
  pairEmissivity,
  radiantFilm_W_m2K,
  STEFAN_BOLTZMANN_W_m2K4,
} from '~/core/thermal/surface/stillAir';

describe('air, Incropera table A.4 (from memory)', () => {
  it.each([
    [300, 1.1614, 26.3e-3, 0.707],
    [500, 0.6964, 40.7e-3, 0.684],
    [700, 0.4975, 52.4e-3, 0.695],
  ])('at %d K: density %d, conductivity %d, Prandtl %d', (t, density, k, prandtl) => {
    expect(airAt(t).density_kg_m3).toBeCloseTo(density, 4);
    expect(airAt(t).conductivity_W_mK).toBeCloseTo(k, 5);
    expect(airAt(t).prandtl).toBeCloseTo(prandtl, 4);
  });

  it('obeys the ideal gas, ρ T constant within 0.6 % from 300 to 700 K', () => {
    for (let t = 300; t <= 700; t += 25) {
      expect(Math.abs((airAt(t).density_kg_m3 * t) / (airAt(300).density_kg_m3 * 300) - 1)).toBeLessThan(
        0.006,
      );
    }
  });

  it('its Prandtl number is μ c / k within 1.5 %', () => {
    for (const t of [300, 400, 500, 600, 700]) {
      const air = airAt(t);
      const prandtl = (air.viscosity_Pa_s * air.heat_J_kgK) / air.conductivity_W_mK;
      expect(Math.abs(prandtl / air.prandtl - 1)).toBeLessThan(0.015);
    }
  });
});

describe('single round nozzle: Martin 1977, Incropera eq. 7.74–7.76 (worked by hand)', () => {
  it('Re 20 000, H/D 6, r/D 5: G = 0.156, F = 415.7, Nu/Pr^0.42 = 64.9', () => {
    expect(Math.abs(roundMeanNusselt(20_000, 6, 5) / 64.9 - 1)).toBeLessThan(0.003);
  });

  it('Re 5 000, H/D 2, r/D 2.5: G = 1.4/5.25 = 0.2667, F = 175.6, Nu/Pr^0.42 = 46.8', () => {
    // 5000^0.55 = 108.3; (1 + 0.5415)^½ = 1.2416; 2 · 70.71 · 1.2416 = 175.6.
    expect(Math.abs(roundMeanNusselt(5_000, 2, 2.5) / (0.26667 * 175.6) - 1)).toBeLessThan(0.003);
  });

  it('the local values average to the mean over discs inside and outside the stagnation zone', () => {
    for (const radius of [2.5, 4, 7]) {
      const rings = 20_000;
      let sum = 0;
      for (let i = 0; i < rings; i++) {
        const s = ((i + 0.5) / rings) * radius;
        sum += (roundLocalNusselt(8_000, 3, s) * 2 * s * (radius / rings)) / radius ** 2;
      }
      expect(sum / roundMeanNusselt(8_000, 3, radius)).toBeCloseTo(1, 3);
    }
  });

  it('falls away from the axis without a jump at the edge of the zone', () => {
    const at = (s: number): number => roundLocalNusselt(8_000, 4, s);
    expect(at(2.5 - 1e-9)).toBeCloseTo(at(2.5), 5);
    for (let s = 0; s < 10; s += 0.1) expect(at(s + 0.1)).toBeLessThan(at(s));
  });
});

describe('single slot nozzle: Martin 1977, Incropera eq. 7.77 (worked by hand)', () => {
  it('Re 10 000, H/W 4, x/W 10: m = 0.695 − 1/(5 + 2.514 + 3.06) = 0.600; Nu/Pr^0.42 = 46.0', () => {
    // 10 000^0.60043 = 252.2; 3.06 · 252.2 / (10 + 4 + 2.78) = 45.99.
    expect(Math.abs(slotMeanNusselt(10_000, 4, 10) / 46.0 - 1)).toBeLessThan(0.003);
  });
});

describe('a hot-air pencil’s jet', () => {
  const jet = {
    nozzle: { shape: 'round', diameter_m: 8e-3 },
    air_K: kelvin(350),
    flow_m3_s: 40 / 60_000,
    standoff_m: 16e-3,
  } as const;
  const still_K = 296;

  it('Reynolds number is 4 ṁ / (π D μ) at the outlet', () => {
    const expected = (4 * massFlow_kg_s(jet)) / (Math.PI * 8e-3 * airAt(jet.air_K).viscosity_Pa_s);
    expect(jetNumbers(jet).reynolds).toBeCloseTo(expected, 6);
    expect(jetOutsideRange(jet)).toEqual([]);
  });

  it('names what leaves the correlation’s range', () => {
    expect(jetOutsideRange({ ...jet, flow_m3_s: 5 / 60_000 }).join()).toMatch(/Reynolds/);
    expect(jetOutsideRange({ ...jet, standoff_m: 4e-3 }).join()).toMatch(/closer than 2/);
    expect(jetOutsideRange({ ...jet, standoff_m: 0.2 }).join()).toMatch(/times its width away/);
  });

  it('is warm on the axis, colder outward and with distance', () => {
    const near = jetOver(jet, still_K);
    const far = jetOver({ ...jet, standoff_m: 60e-3 }, still_K);
    expect(near.at(0, 0).left).toBe(1);
    expect(near.at(20e-3, 0).left).toBeLessThan(near.at(12e-3, 0).left);
    expect(far.at(0, 0).left).toBeLessThan(0.5);
  });

  it('keeps on its axis 5 D/x of its excess past a core of five widths, less by its thinness (Hinze, from memory)', () => {
    const thin = Math.sqrt(still_K / jet.air_K);
    for (const [widths, cold] of [
      [3, 1],
      [5, 1],
      [7.5, 0.667],
      [10, 0.5],
    ] as const) {
      const { left } = jetOver({ ...jet, standoff_m: widths * 8e-3 }, still_K).at(0, 0);
      expect(left).toBeCloseTo(Math.min(1, (5 * thin) / widths), 6);
      const lukewarm = jetOver({ ...jet, air_K: still_K + 1, standoff_m: widths * 8e-3 }, still_K);
      expect(lukewarm.at(0, 0).left).toBeCloseTo(cold, 2);
    }
  });

  it('drives a wall two widths away from its axis with three quarters, four with half (Goldstein and others 1990, from memory)', () => {
    const lukewarm = jetOver({ ...jet, air_K: still_K + 1 }, still_K);
    expect(lukewarm.at(2.5 * 8e-3, 0).left).toBeGreaterThan(0.65);
    expect(lukewarm.at(2.5 * 8e-3, 0).left).toBeLessThan(0.95);
    expect(lukewarm.at(4 * 8e-3, 0).left).toBeGreaterThan(0.42);
    expect(lukewarm.at(4 * 8e-3, 0).left).toBeLessThan(0.62);
  });

  it('a slot’s jet keeps the root of 6 W/x past a core of six widths (plane free jet, from memory)', () => {
    const slot = { ...jet, nozzle: { shape: 'rectangle', width_m: 28e-3, height_m: 2e-3 } } as const;
    const left = (widths: number): number =>
      jetOver({ ...slot, air_K: still_K + 1, standoff_m: widths * 2e-3 }, still_K).at(0, 0).left;
    expect(left(5)).toBe(1);
    expect(left(12)).toBeCloseTo(Math.sqrt(0.5), 2);
    expect(left(24)).toBeCloseTo(0.5, 2);
  });

  it('a hood’s air leaves by its slots: as fast as through their area, and hottest under them', () => {
    const hood = {
      ...jet,
      nozzle: { shape: 'rectangle', width_m: 30e-3, height_m: 20e-3, slot_m: 2e-3 },
    } as const;
    // 30 · 20 − 26 · 16 = 184 mm².
    const round = {
      ...jet,
      nozzle: { shape: 'round', diameter_m: Math.sqrt((4 * 184e-6) / Math.PI) },
    } as const;
    expect(outletMach(hood)).toBeCloseTo(outletMach(round), 9);
    const over = jetOver(hood, still_K);
    const film = (x_m: number, y_m: number): number => over.at(x_m, y_m).film_W_m2K;
    expect(film(14e-3, 0)).toBeCloseTo(film(0, 9e-3), 9);
    expect(film(14e-3, 0)).toBeGreaterThan(1.2 * film(0, 0));
    expect(over.at(0, 0).left).toBeGreaterThan(over.at(40e-3, 0).left);
  });

  it('a square outlet of the same area gives the same film on its axis as a round one', () => {
    const side_m = Math.sqrt(Math.PI / 4) * 8e-3;
    const squared = jetOver(
      { ...jet, nozzle: { shape: 'rectangle', width_m: side_m, height_m: side_m } },
      still_K,
    );
    expect(squared.at(0, 0).film_W_m2K / jetOver(jet, still_K).at(0, 0).film_W_m2K).toBeCloseTo(1, 6);
  });

  it('a film goes with the face it meets: properties midway between outlet and face (Incropera §7.7.2)', () => {
    const over = jetOver(jet, still_K);
    expect(over.warming(still_K)).toBeCloseTo(1, 9);
    // Conductivity at 462 K against 374 K: 38.2 over 31.8 mW/mK (table A.4); Reynolds falls meanwhile.
    expect(over.warming(kelvin(200))).toBeGreaterThan(1.01);
    expect(over.warming(kelvin(200))).toBeLessThan(38.2 / 31.8);
  });

  it('squeezed through a gap narrower than half an outlet its film grows as the root of D/2H, without a jump', () => {
    const wide = { ...jet, nozzle: { shape: 'rectangle', width_m: 28e-3, height_m: 28e-3 } } as const;
    const across_m = 28e-3 / Math.sqrt(Math.PI / 4);
    const film = (standoff_m: number): number =>
      jetOver({ ...wide, standoff_m }, still_K).at(0, 0).film_W_m2K;
    const open = film(across_m);
    expect(film(across_m / 2)).toBeCloseTo(open, 9);
    expect(film(across_m / 4) / open).toBeCloseTo(Math.SQRT2, 6);
    expect(film(across_m / 8) / open).toBeCloseTo(2, 6);
  });

  it('its mouth is seen as a disc: r²/(r² + h²) under the middle, nothing from far off (Howell B-13, from memory)', () => {
    expect(mouthSeen(0, 3, 4)).toBeCloseTo(9 / 25, 12);
    expect(mouthSeen(50, 3, 4)).toBeLessThan(0.001);
    expect(mouthSeen(0, 14e-3, 8e-3)).toBeGreaterThan(0.7);
    for (let a = 0; a < 10; a++) expect(mouthSeen(a + 1, 3, 4)).toBeLessThan(mouthSeen(a, 3, 4));
  });
});

describe('still air: Incropera eq. 9.30–9.32 (worked by hand from table A.4 at 350 K)', () => {
  // 400 K plate in 300 K air, L = A/P = 0.1 m: Ra = 9.807 · (1/350) · 100 · 1e-3 / (20.92e-6 · 29.9e-6) = 4.48e6.
  it('hot plate up: Nu = 0.54 Ra^¼ = 24.8, h = 7.45 W/m²K', () => {
    expect(naturalFilm_W_m2K('up', 400, 300, 0.1)).toBeCloseTo(7.45, 1);
  });

  it('hot plate down: Nu = 0.52 Ra^⅕ = 11.1, h = 3.34 W/m²K', () => {
    expect(naturalFilm_W_m2K('down', 400, 300, 0.1)).toBeCloseTo(3.34, 1);
  });

  it('a cold plate facing down is like a hot one facing up', () => {
    const up = naturalFilm_W_m2K('up', 400, 300, 0.05);
    const down = naturalFilm_W_m2K('down', 300, 400, 0.05);
    expect(down / up).toBeCloseTo(1, 6);
  });
});

describe('air near the speed of sound', () => {
  const jet = { nozzle: { shape: 'round', diameter_m: 4e-3 }, standoff_m: 8e-3 } as const;

  it('20 L/min at 20 °C through 4 mm leave at 26.5 m/s of 343: Mach 0.077 (Incropera eq. of state)', () => {
    expect(outletMach({ ...jet, air_K: 293.15, flow_m3_s: 20 / 60_000 })).toBeCloseTo(26.53 / 343.2, 3);
  });

  it('a 1 mm nozzle at 400 L/min and 550 °C is far past it, and is said where it is only fast', () => {
    const pin = { nozzle: { shape: 'round', diameter_m: 1e-3 }, standoff_m: 8e-3 } as const;
    expect(outletMach({ ...pin, air_K: 823, flow_m3_s: 400 / 60_000 })).toBeGreaterThan(10 * MOST_MACH);
    const fast = { ...jet, air_K: 673, flow_m3_s: 80 / 60_000 };
    expect(jetOutsideRange(fast).join()).toMatch(/Mach 0\.[34567]/);
  });
});

describe('grey radiation: Incropera ch. 13', () => {
  it('two plates of emissivity 0.9 act as one of 0.818', () => {
    expect(pairEmissivity(0.9, 0.9)).toBeCloseTo(0.8182, 4);
    expect(pairEmissivity(1, 0.5)).toBeCloseTo(0.5, 9);
  });

  it('the linearised film times the difference is ε σ (T⁴ − Tₐ⁴) exactly', () => {
    const film = radiantFilm_W_m2K(0.9, 450, 300);
    expect(film * 150).toBeCloseTo(0.9 * STEFAN_BOLTZMANN_W_m2K4 * (450 ** 4 - 300 ** 4), 6);
  });

  it('an infrared preheater gives a cold board more film the hotter it is; a plate more than warm air', () => {
    const infrared = (setpoint_C: number): number =>
      preheaterFilm_W_m2K('infrared', kelvin(setpoint_C), 320, 'down', 0.03);
    expect(infrared(300)).toBeGreaterThan(1.5 * infrared(150));
    expect(preheaterFilm_W_m2K('plate', 420, 320, 'down', 0.03)).toBeGreaterThan(
      preheaterFilm_W_m2K('convective', 420, 320, 'down', 0.03),
    );
  });
});
