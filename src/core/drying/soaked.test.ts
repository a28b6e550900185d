import { describe, expect, it } from 'vitest';
import { EPOXY } from '~/core/materials/epoxy';
import { kelvin } from '~/core/quantity/convert';
import { bake_s, leftIn, waterDiffusivity_m2_s } from './absorbed';
import { cure_s, curedBy, cureLaw } from './cure';

describe('water that soaked in', () => {
  // Crank, The Mathematics of Diffusion, §4.3.2: half is gone at Dt/l² = 0.0492; early loss is 4/√π · √(Dt/l²).
  it('leaves a sheet as Crank has it', () => {
    expect(leftIn(1, 1, 0.0492)).toBeCloseTo(0.5, 3);
    expect(1 - leftIn(1, 1, 0.001)).toBeCloseTo((4 / Math.sqrt(Math.PI)) * Math.sqrt(0.001), 3);
  });

  // J-STD-033 table 4-1, level 3 past its floor life (from memory): up to 1.4 mm 9 h at 125 °C, 33 h at 90 °C.
  it('leaves mould compound in the order of the standard’s bake, and slower at 90 °C by as much', () => {
    const hours = (at_C: number): number => bake_s('mould compound', 1.4e-3, kelvin(at_C), 0.1) / 3600;
    expect(hours(125)).toBeGreaterThan(9 / 2);
    expect(hours(125)).toBeLessThan(9 * 2);
    expect(hours(90) / hours(125) / (33 / 9)).toBeGreaterThan(0.8);
    expect(hours(90) / hours(125) / (33 / 9)).toBeLessThan(1.25);
  });

  it('leaves a sheet twice as thick in four times the time', () => {
    const of = (mm: number): number => bake_s('glass–epoxy laminate', mm * 1e-3, kelvin(105), 0.1);
    expect(of(3.2) / of(1.6)).toBeCloseTo(4, 6);
  });

  // IPC-1601 (from memory): bare boards are baked 4 to 6 hours at 105 to 125 °C.
  it('leaves a usual board at 105 to 125 °C in hours, not minutes nor days', () => {
    for (const at_C of [105, 125]) {
      const hours = bake_s('glass–epoxy laminate', 1.6e-3, kelvin(at_C), 0.3) / 3600;
      expect(hours).toBeGreaterThan(1);
      expect(hours).toBeLessThan(12);
    }
    expect(waterDiffusivity_m2_s('glass–epoxy laminate', kelvin(25))).toBeGreaterThan(0.5e-12);
    expect(waterDiffusivity_m2_s('glass–epoxy laminate', kelvin(25))).toBeLessThan(4e-12);
  });
});

describe('a cure', () => {
  const law = cureLaw(EPOXY);

  it('takes what its rounded sheet says, within a sixth, and follows Arrhenius between', () => {
    for (const { temperature_K, time_s } of EPOXY) {
      expect(cure_s(law, temperature_K) / time_s).toBeGreaterThan(5 / 6);
      expect(cure_s(law, temperature_K) / time_s).toBeLessThan(7 / 6);
    }
    // Epoxies cured by amines: 45 to 70 kJ/mol (published kinetics, from memory).
    expect(law.activation_J_mol).toBeGreaterThan(40e3);
    expect(law.activation_J_mol).toBeLessThan(70e3);
  });

  it('is done by halves in the oven and on the bench together', () => {
    const half = (at_K: number) => ({ temperature_K: at_K, time_s: cure_s(law, at_K) / 2 });
    expect(curedBy(law, [half(kelvin(23)), half(kelvin(60))])).toBeCloseTo(1, 9);
  });

  it('is not known from one temperature', () => {
    expect(() => cureLaw([EPOXY[0], EPOXY[0]])).toThrow('two temperatures');
  });
});
