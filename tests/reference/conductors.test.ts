import { describe, expect, it } from 'vitest';
import { LIQUIDS, vapourPressure_Pa } from '~/core/materials/solvents';
import {
  gaugeDiameter_m,
  resistivity_Ohm_m,
  trackCurrent_A,
  wireResistance_Ohm,
} from '~/core/electrical/wire';
import { kelvin } from '~/core/quantity/convert';

describe('American wire gauge, ASTM B258 (table values from memory)', () => {
  it.each([
    [10, 2.588],
    [20, 0.8118],
    [24, 0.5106],
    [26, 0.4049],
    [28, 0.3211],
    [30, 0.2546],
    [36, 0.127],
    [40, 0.0799],
  ])('gauge %d is %d mm', (gauge, diameter_mm) => {
    expect(gaugeDiameter_m(gauge) * 1e3).toBeCloseTo(diameter_mm, 3);
  });
});

describe('copper, IEC 60028', () => {
  it('is 1/58 Ω mm²/m at 20 °C', () => {
    expect(resistivity_Ohm_m(kelvin(20))).toBeCloseTo(1e-6 / 58, 11);
  });

  it.each([
    [20, 33.3],
    [24, 84.2],
    [28, 213],
    [30, 339],
  ])('gauge %d wire has %d Ω/km at 20 °C (wire tables, from memory)', (gauge, ohm_km) => {
    expect(wireResistance_Ohm(1000, gaugeDiameter_m(gauge), kelvin(20)) / ohm_km).toBeCloseTo(1, 2);
  });

  it('rises by 39 % from 20 to 120 °C', () => {
    expect(resistivity_Ohm_m(kelvin(120)) / resistivity_Ohm_m(kelvin(20))).toBeCloseTo(1.393, 3);
  });
});

describe('track current, IPC-2221 §6.2 (figure 6-4 by its fitted equation, from memory)', () => {
  it('1 mm of 35 µm foil on a face carries about 2.4 A at a rise of 10 K', () => {
    expect(Math.abs(trackCurrent_A(1e-3, 35e-6, 10, 'outer') / 2.39 - 1)).toBeLessThan(0.01);
  });

  it('an inner track carries half of what an outer one does', () => {
    expect(trackCurrent_A(1e-3, 35e-6, 20, 'inner') / trackCurrent_A(1e-3, 35e-6, 20, 'outer')).toBeCloseTo(
      0.5,
      9,
    );
  });

  it('section 100 sq mil, 20 K: 0.048 · 20^0.44 · 100^0.725 = 5.06 A', () => {
    const width_m = 100 * 25.4e-6;
    expect(trackCurrent_A(width_m, 25.4e-6, 20, 'outer')).toBeCloseTo(5.06, 1);
  });
});

describe('2-propanol, Antoine constants (Lange, from memory)', () => {
  it('boils at 82.3 °C under one atmosphere', () => {
    expect(vapourPressure_Pa('2-propanol', kelvin(82.3))! / 101_325).toBeCloseTo(1, 1);
  });

  it('has 4.4 kPa at 20 °C and 5.8 to 6.1 kPa at 25 °C', () => {
    expect(vapourPressure_Pa('2-propanol', kelvin(20))! / 1000).toBeCloseTo(4.4, 1);
    expect(vapourPressure_Pa('2-propanol', kelvin(25))! / 1000).toBeGreaterThan(5.8);
    expect(vapourPressure_Pa('2-propanol', kelvin(25))! / 1000).toBeLessThan(6.1);
  });

  it('gives nothing outside the range of its constants', () => {
    expect(vapourPressure_Pa('2-propanol', kelvin(LIQUIDS['2-propanol'].antoine.range_C[1] + 1))).toBeNull();
  });
});
