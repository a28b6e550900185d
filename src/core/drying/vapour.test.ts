import { describe, expect, it } from 'vitest';
import { LIQUIDS, vapourDiffusivity_m2_s } from '~/core/materials/solvents';
import { kelvin } from '~/core/quantity/convert';
import { GAS_J_molK, shareOver, stefanDrive, stefanFlux_mol_m2s } from './vapour';

describe('vapour through still air', () => {
  // Bird, Stewart & Lightfoot, Transport Phenomena, problem 18A.1 (from memory), answer 0.0139 g/h.
  it('evaporates chloropicrin from a tube as the book has it', () => {
    const pressure_mmHg = 770;
    const depth_m = 0.1114;
    const at_K = kelvin(25);
    const flux =
      stefanFlux_mol_m2s(0.088e-4, at_K, depth_m, 23.81 / pressure_mmHg, 0) * (pressure_mmHg / 760);
    const grams_h = flux * 2.29e-4 * 164.39 * 3600;
    expect(grams_h).toBeCloseTo(0.0139, 4);
  });

  it('drives nothing where the room is as moist as the face', () => {
    expect(stefanDrive(0.02, 0.02)).toBe(0);
    expect(stefanDrive(0.02, 0.03)).toBeLessThan(0);
  });

  // Steam tables and Lange’s Handbook (from memory): 3.17 kPa and 6.0 kPa at 25 °C.
  it('stands over its liquid with the pressure of the handbooks', () => {
    expect(shareOver('water', kelvin(25))! * 101.325).toBeCloseTo(3.17, 1);
    expect(shareOver('2-propanol', kelvin(25))! * 101.325).toBeCloseTo(6.0, 1);
    expect(shareOver('2-propanol', kelvin(120))).toBeNull();
  });

  // Fuller, Schettler & Giddings 1966, diffusion volumes from memory: C 16.5, H 1.98, O 5.48, air 20.1.
  it('spreads in air as its diffusion volume says, within a tenth', () => {
    const byVolume = (volume: number, molar_g: number, at_K: number): number =>
      (1e-7 * at_K ** 1.75 * Math.sqrt(1 / 28.97 + 1 / molar_g)) / (Math.cbrt(20.1) + Math.cbrt(volume)) ** 2;
    const cases = [
      ['2-propanol', 3 * 16.5 + 8 * 1.98 + 5.48, 60.1],
      ['water', 12.7, 18.02],
    ] as const;
    for (const [liquid, volume, molar_g] of cases)
      for (const at_C of [25, 60]) {
        const ratio = vapourDiffusivity_m2_s(liquid, kelvin(at_C)) / byVolume(volume, molar_g, kelvin(at_C));
        expect(ratio).toBeGreaterThan(0.9);
        expect(ratio).toBeLessThan(1.1);
      }
  });

  // Clausius and Clapeyron: the heat that the pressure's own slope asks for.
  it('takes the heat that its pressure’s slope asks for, within a twentieth', () => {
    for (const liquid of ['2-propanol', 'water'] as const) {
      const at_K = kelvin(25);
      const slope = Math.log(shareOver(liquid, at_K + 1)! / shareOver(liquid, at_K - 1)!) / 2;
      const heat_J_kg = (GAS_J_molK * at_K ** 2 * slope) / LIQUIDS[liquid].molarMass.value;
      expect(heat_J_kg / LIQUIDS[liquid].latentHeat.value).toBeGreaterThan(0.95);
      expect(heat_J_kg / LIQUIDS[liquid].latentHeat.value).toBeLessThan(1.05);
    }
  });
});
