import { describe, expect, it } from 'vitest';
import { kelvin } from '~/core/quantity/convert';
import type { Connection, JointScenario } from '~/core/thermal/joint/scenario';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import { CAPACITOR, FOUR_LAYER, planeOn, scenario, TWO_LAYER } from '../../support/samples';
import { drawn } from './drawn';
import { solveJoint } from './jointSolver';

/**
 * The joint model against a solver of our own that shares no code with it: 3-D, plain and slow. Both are given the same
 * materials, contact and tip; what is held is the model's mesh: its rings, sheets, slices, sectors and fillets. Its melt
 * is the reference's 98 %: a lump is molten when the last of its fillet still is not.
 */

const BARE: Connection = { kind: 'isolated' };
const WARM = { ambient_K: kelvin(100) };
const iron = (changes: Partial<JointScenario['iron']>) => ({ iron: { freshSolder: false, ...changes } });
const two = (thickness_mm = 1.6) => ({ board: { ...TWO_LAYER, thickness_m: thickness_mm * 1e-3 } });
const four = { board: FOUR_LAYER };
const pin = (lead_mm: number, hole_mm: number, land_mm: number) => ({
  part: {
    ...CAPACITOR,
    leadDiameter_m: lead_mm * 1e-3,
    holeDiameter_m: hole_mm * 1e-3,
    landDiameter_m: land_mm * 1e-3,
  },
});
const fresh = iron({ freshSolder: true });
const conical = iron({ tip: { shape: 'conical', width_m: 0.5e-3, construction: 'cartridge' } });

const CASES: [string, JointScenario][] = [
  ['a bare land, two layers, 360 °C', scenario(360, BARE, { ...two(), ...iron({}) })],
  ['the same with fresh solder', scenario(360, BARE, { ...two(), ...fresh })],
  ['the same under a fine cone', scenario(360, BARE, { ...two(), ...conical })],
  ['the same in SAC305', scenario(360, BARE, { ...two(), ...iron({}), alloy: 'sac305' })],
  ['a board of 0.8 mm', scenario(360, BARE, { ...two(0.8), ...iron({}) })],
  ['a board of 2.4 mm', scenario(360, BARE, { ...two(2.4), ...iron({}) })],
  ['a bare land, four layers', scenario(360, BARE, { ...four, ...iron({}) })],
  [
    'a thin lead in a small land, 340 °C',
    scenario(340, BARE, { ...two(), ...iron({}), ...pin(0.45, 0.7, 1.3) }),
  ],
  ['one plane far from the iron, 420 °C', scenario(420, planeOn(2), { ...four, ...iron({}) })],
  ['one plane near the iron, 420 °C', scenario(420, planeOn(3), { ...four, ...iron({}) })],
  [
    'one plane, a thick pin, fresh solder',
    scenario(420, planeOn(2), { ...four, ...fresh, ...pin(1, 1.3, 2.4) }),
  ],
  ['two planes, 480 °C, fresh solder', scenario(480, planeOn(2, 3), { ...four, ...fresh })],
  ['one plane at 100 °C', scenario(360, planeOn(2), { ...four, ...iron({}), ...WARM })],
  ['two planes at 100 °C, fresh solder', scenario(360, planeOn(2, 3), { ...four, ...fresh, ...WARM })],
];

const UNTIL_s = 2.2;

/** A history at a time, by straight lines. */
function at(time_s: ArrayLike<number>, history: ArrayLike<number>, when_s: number): number {
  let i = 1;
  while (i < time_s.length - 1 && time_s[i]! < when_s) i++;
  const share = (when_s - time_s[i - 1]!) / (time_s[i]! - time_s[i - 1]!);
  return history[i - 1]! + share * (history[i]! - history[i - 1]!);
}

describe('the joint model against an independent solver in three dimensions', () => {
  for (const [name, joint] of CASES) {
    it(`${name}: melts within 10 % where that is worth 2 K, coldest solder within 5 % of its rise`, () => {
      const wanted = solveJoint(drawn(joint), UNTIL_s);
      const found = simulateJoint(joint, { duration_s: UNTIL_s });
      expect(wanted.residual).toBeLessThan(1e-3);

      const coldest_K = at(wanted.time_s, wanted.coldest_K, UNTIL_s);
      const rise_K = coldest_K - joint.ambient_K;
      expect(Math.abs(at(found.time_s, found.coldestSolder_K, UNTIL_s) - coldest_K) / rise_K).toBeLessThan(
        0.05,
      );

      const melt_s = wanted.most_s;
      if (melt_s === null) return;
      const [early_K, late_K] = [0.95, 1.05].map((f) => at(wanted.time_s, wanted.coldest_K, f * melt_s));
      if (late_K! - early_K! < 2) return;
      expect(found.fullMelt_s! / melt_s).toBeGreaterThan(0.9);
      expect(found.fullMelt_s! / melt_s).toBeLessThan(1.1);
    });
  }

  it('has cases that melt, and cases that do not', () => {
    const melts = CASES.map(([, joint]) => simulateJoint(joint, { duration_s: UNTIL_s }).fullMelt_s !== null);
    expect(melts.filter(Boolean).length).toBeGreaterThan(8);
    expect(melts.filter((melt) => !melt).length).toBeGreaterThan(2);
  });
});
