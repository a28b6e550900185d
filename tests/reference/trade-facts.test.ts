import { describe, expect, it } from 'vitest';
import { livesOf } from '~/core/method/limits/forecast';
import { doseCurve, firstReached_s, valueAt } from '~/core/thermal/history';
import { kelvin } from '~/core/quantity/convert';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import type { JointScenario } from '~/core/thermal/joint/scenario';
import { planeOn, reliefOn, scenario, trackOn, TWO_LAYER } from '../support/samples';

/** Facts of the trade that the joint model must meet. All are common practice; none is a published number. */

const HOLD_s = 10;

const melt_s = (joint: JointScenario): number =>
  simulateJoint(joint, { duration_s: HOLD_s }).fullMelt_s ?? Infinity;

/** Pad budget spent by a dwell that ends a second and a half after the melt. */
function padDoseOfJob(joint: JointScenario): number {
  const run = simulateJoint(joint, { duration_s: HOLD_s });
  const curve = doseCurve(livesOf(joint).pad, run.time_s, run.land_K);
  return valueAt(run.time_s, curve, (run.fullMelt_s ?? Infinity) + 1.5);
}

const plain = (setpoint_C: number, changes = {}): JointScenario =>
  scenario(setpoint_C, trackOn(2), { board: TWO_LAYER, ...changes });

describe('set temperature on a plain through-hole joint (common practice)', () => {
  it('360 °C clears it in a few seconds', () => {
    expect(melt_s(plain(360))).toBeLessThan(4);
  });

  it('480 °C spends several times the pad budget that 360 °C does for the same job', () => {
    expect(padDoseOfJob(plain(480)) / padDoseOfJob(plain(360))).toBeGreaterThan(4);
  });

  it('300 °C long and 400 °C short both come out feasible, at different cost', () => {
    const [low, high] = [plain(300), plain(400)];
    expect(melt_s(low)).toBeLessThan(HOLD_s);
    expect(melt_s(high)).toBeLessThan(melt_s(low));
    const [lowCost, highCost] = [padDoseOfJob(low), padDoseOfJob(high)];
    expect(lowCost).toBeLessThan(0.25);
    expect(highCost).toBeLessThan(0.25);
    expect(highCost).toBeGreaterThan(2 * lowCost);
  });
});

describe('a pin on a plane (common practice)', () => {
  it('takes several times longer than its signal neighbour, or never melts, under the same iron', () => {
    const signal = melt_s(scenario(360, trackOn(4)));
    expect(signal).toBeLessThan(2);
    expect(melt_s(scenario(360, planeOn(2, 3)))).toBeGreaterThan(4 * signal);
    expect(melt_s(scenario(360, reliefOn(2)))).toBeGreaterThan(2 * signal);
  });

  it('comes back into reach when the board is preheated', () => {
    const preheat = { kind: 'convective' as const, setpoint_K: kelvin(150), soak_s: 120 };
    expect(melt_s(scenario(360, planeOn(2, 3)))).toBe(Infinity);
    expect(melt_s(scenario(360, planeOn(2, 3), { preheat }))).toBeLessThan(4);
  });
});

describe('tips and touch (common practice)', () => {
  const tip = (shape: 'chisel' | 'conical', width_m: number) => ({
    iron: { tip: { shape, width_m, construction: 'cartridge' as const } },
  });

  it('a wide tip beats a fine one at the same setting', () => {
    const wide = melt_s(plain(350, tip('chisel', 2.4e-3)));
    const fine = melt_s(plain(350, tip('conical', 0.5e-3)));
    expect(fine).toBeGreaterThan(3 * wide);
  });

  it('a dry, oxidised touch may never melt what a fluxed one does', () => {
    expect(melt_s(plain(350, { iron: { fluxed: false, freshSolder: false } }))).toBeGreaterThan(
      4 * melt_s(plain(350)),
    );
  });

  it('fresh solder shortens the dwell', () => {
    expect(melt_s(scenario(380, reliefOn(2)))).toBeLessThan(
      melt_s(scenario(380, reliefOn(2), { iron: { freshSolder: false } })),
    );
  });
});

describe('lead-free joints (common practice)', () => {
  it('take longer than leaded ones at the same setting', () => {
    expect(melt_s(plain(350, { alloy: 'sac305' }))).toBeGreaterThan(melt_s(plain(350)));
  });
});

describe('the far side is the last to melt on a plane pin (common practice: still held on the far side)', () => {
  it('names the far fillet', () => {
    const run = simulateJoint(scenario(400, planeOn(2, 3)), { duration_s: 4 });
    expect(run.lastToMelt).toBe('far fillet');
    expect(firstReached_s(run.time_s, run.land_K, kelvin(190))).not.toBeNull();
  });
});
