import { describe, expect, it } from 'vitest';
import { vapourDiffusivity_m2_s } from '~/core/materials/solvents';
import { kelvin } from '~/core/quantity/convert';
import { dryUnder_s, reach_m2, type WetGap } from './gap';
import { gas_mol_m3, liquid_mol_m3, shareOver, stefanDrive, stefanFlux_mol_m2s } from './vapour';

const under = (part: Partial<WetGap> = {}): WetGap => ({
  liquid: '2-propanol',
  length_m: 20e-3,
  width_m: 20e-3,
  gap_m: 0.1e-3,
  board_K: kelvin(23),
  air_K: kelvin(23),
  humidity: 0.4,
  ...part,
});

describe('liquid under a body', () => {
  // Common practice: solvent under chips needs more than three minutes.
  it('of 20 mm takes far longer than three minutes', () => {
    expect(dryUnder_s(under())!).toBeGreaterThan(10 * 180);
  });

  it('goes several times as fast in warm air, and not at all where the air is full of it', () => {
    expect(dryUnder_s(under())! / dryUnder_s(under({ board_K: kelvin(45) }))!).toBeGreaterThan(3);
    expect(dryUnder_s(under({ liquid: 'water', humidity: 1 }))).toBeNull();
  });

  it('does not stay where the body stands off', () => {
    expect(dryUnder_s(under({ gap_m: 1e-3 }))).toBe(0);
  });

  // A long body against the front walked back step by step, each by Stefan’s tube as deep as the dry part.
  it('under a long body is Stefan’s tube walked from both rims', () => {
    const half_m = 4e-3;
    const over = shareOver('2-propanol', kelvin(23))!;
    const [steps, diffusivity] = [4000, vapourDiffusivity_m2_s('2-propanol', kelvin(23))];
    let time_s = 0;
    for (let i = 0; i < steps; i++) {
      const depth_m = ((i + 0.5) / steps) * half_m;
      time_s +=
        (liquid_mol_m3('2-propanol') * half_m) /
        steps /
        stefanFlux_mol_m2s(diffusivity, kelvin(23), depth_m, over, 0);
    }
    expect(dryUnder_s(under({ length_m: 1, width_m: 2 * half_m }))! / time_s).toBeCloseTo(1, 3);
  });

  it('under a pack of 5 mm at 45 °C is as by hand, within a tenth', () => {
    // 13 060 mol/m³ · 0.2947 · (2.5 mm)² / (38.3 mol/m³ · 1.15e-5 m²/s · ln(1/(1 − 0.18))) = 276 s
    const byHand_s = (13_060 * 0.2947 * 2.5e-3 ** 2) / (38.3 * 1.15e-5 * Math.log(1 / 0.82));
    const computed = dryUnder_s(under({ length_m: 5e-3, width_m: 5e-3, board_K: kelvin(45) }))!;
    expect(computed / byHand_s).toBeGreaterThan(0.9);
    expect(computed / byHand_s).toBeLessThan(1.1);
    expect(stefanDrive(0.18, 0) * gas_mol_m3(kelvin(45))).toBeGreaterThan(0);
  });

  // Timoshenko & Goodier, Theory of Elasticity, table 7 (k of τmax = k·2Gθa relates by the same series): square 0.2947 a².
  it('reaches its middle as the torsion of a bar does: square, oblong, long', () => {
    expect(reach_m2(2, 2)).toBeCloseTo(0.2947, 3);
    expect(reach_m2(4, 2)).toBeCloseTo(0.4555, 3);
    expect(reach_m2(400, 2)).toBeCloseTo(0.5, 6);
    expect(reach_m2(2, 4)).toBe(reach_m2(4, 2));
  });
});
