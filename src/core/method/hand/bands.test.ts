import { inOneGo } from '~/core/stepwise';
import { describe, expect, it } from 'vitest';
import { TWO_LAYER } from '../../../../tests/support/samples';
import { kelvin } from '~/core/quantity/convert';
import { NetworkBuilder, type ThermalNetwork } from '~/core/thermal/network/network';
import { PLAN } from '../settings';
import { bandOf, drawDwells, isSettled, isSure, type DrawnDwell, type PinBand } from './bands';
import type { Allowance } from '../limits/stop';
import type { Touch, TouchOptions, TouchRun } from './touch';

const ROOM_K = kelvin(23);

/**
 * A touch whose heat is one lump behind one contact: θ = θ∞ (1 − e^(−t/τ)), τ as the contact of a draw. Its melts are
 * known in closed form, so that the bands made of them can be held against quantiles of the contact alone.
 */
function lump(tau_s: number, end_C: number, melts_C: number, longest_s = 12): Touch {
  return {
    name: '1',
    pads: ['1'],
    likeness: 'lump',
    board: TWO_LAYER,
    laminate: TWO_LAYER.laminate,
    land_m2: 2e-6,
    longest_s,
    liquidus_K: kelvin(melts_C),
    peaksNear: () => [],
    prepare: (options) => ({
      network: NOTHING,
      options: { duration_s: 1e-3, tracked: [] },
      read: () => run(options),
    }),
  };

  function run({ duration_s, factors, stopWhen }: TouchOptions): TouchRun {
    const tau = tau_s * (factors?.contact ?? 1);
    const rise_K = kelvin(end_C) - ROOM_K;
    const melt_s = -tau * Math.log(1 - (kelvin(melts_C) - ROOM_K) / rise_K);
    const time_s: number[] = [];
    for (let t = 0; t <= duration_s + 1e-9; t += 0.02) {
      time_s.push(t);
      if (stopWhen?.(t, ROOM_K, t >= melt_s)) break;
    }
    const land_K = Float64Array.from(time_s, (t) => ROOM_K + rise_K * -Math.expm1(-t / tau));
    const last_s = time_s.at(-1)!;
    return {
      outcome: 'stopped',
      time_s: Float64Array.from(time_s),
      tip_K: land_K,
      land_K,
      laminate_K: land_K,
      coldestSolder_K: land_K,
      body_K: land_K,
      plastic_K: null,
      fullMelt_s: melt_s <= last_s ? melt_s : null,
      lastToMelt: 'barrel',
    };
  }
}

/** What runs beside it: the lump's own answer is in closed form. */
const NOTHING = ((): ThermalNetwork => {
  const net = new NetworkBuilder();
  net.node(1, ROOM_K);
  return net.done();
})();

const GENEROUS: Allowance = { padDose: 1e9, laminateDose: 1e9, body_K: Infinity, plastic_K: Infinity };

function dwells(touch: Touch, of: Parameters<typeof drawDwells>[1]): DrawnDwell[] {
  return inOneGo(drawDwells(touch, of));
}

const drawn = (touch: Touch, allowance: Allowance = GENEROUS, draws = 200, seed = 1): PinBand =>
  bandOf(touch, dwells(touch, { draws, seed }), allowance);

describe('the band of a touch whose melt is known in closed form', () => {
  const touch = lump(1.5, 300, 190);
  const last = drawn(touch);
  const nominal_s = -1.5 * Math.log(1 - (190 - 23) / (300 - 23));

  it('has the nominal melt for its median, within what 200 draws can tell', () => {
    expect(last.melt_s.p50 / nominal_s).toBeGreaterThan(0.97);
    expect(last.melt_s.p50 / nominal_s).toBeLessThan(1.03);
  });

  it('is as wide as the contact is uncertain: log-normal, so tenths lie alike in ratio', () => {
    const [low, high] = [last.melt_s.p10 / last.melt_s.p50, last.melt_s.p90 / last.melt_s.p50];
    expect(low * high).toBeGreaterThan(0.95);
    expect(low * high).toBeLessThan(1.05);
    expect(high).toBeGreaterThan(1.2);
  });

  it('is the same put together from parts that were drawn apart', () => {
    const parts = [0, 60, 130].map((from, i) =>
      dwells(touch, { draws: 200, seed: 1, from, to: [60, 130, 200][i]! }),
    );
    expect(parts.map((part) => part.length)).toEqual([60, 70, 70]);
    expect(bandOf(touch, parts.flat(), GENEROUS)).toEqual(last);
  });

  it('is the same for the same seed, and nearly so for another', () => {
    expect(drawn(touch)).toEqual(last);
    const other = drawn(touch, GENEROUS, 200, 7);
    expect(other).not.toEqual(last);
    expect(Math.abs(other.melt_s.p50 / last.melt_s.p50 - 1)).toBeLessThan(0.03);
    expect(Math.abs(other.melt_s.p90 / last.melt_s.p90 - 1)).toBeLessThan(0.08);
  });

  it('with budget to spare stops where every draw has long melted', () => {
    expect(last.because).toBe('well past the melt');
    expect(last.stop_s).toBeGreaterThan(1.5 * last.melt_s.p90);
    expect(last.chanceSolidAtStop).toBe(0);
    expect(last.liftFrom_s).toBeCloseTo(last.melt_s.p50 + PLAN.settle_s, 9);
    expect(isSure(last)).toBe(true);
  });

  it('orders its tenths, of melts and of both doses', () => {
    for (const { p10, p50, p90 } of [last.melt_s, last.padDose, last.laminateDose]) {
      expect(p10).toBeLessThanOrEqual(p50);
      expect(p50).toBeLessThanOrEqual(p90);
    }
  });
});

describe('the stop of a band', () => {
  const touch = lump(1.5, 300, 190);
  const free = drawn(touch);

  it('is sooner the less budget is left, and says which budget', () => {
    const shares = [0.04, 0.02, 0.01].map((share) =>
      drawn(touch, { ...GENEROUS, padDose: share * free.padDose.p50 * 40 }),
    );
    for (let i = 1; i < shares.length; i++)
      expect(shares[i]!.stop_s).toBeLessThanOrEqual(shares[i - 1]!.stop_s);
    expect(shares.at(-1)!.because).toBe('pad budget');
  });

  it('comes before the melt in a share of draws that grows as the budget shrinks', () => {
    const chances = [4, 1, 0.25].map(
      (share) => drawn(touch, { ...GENEROUS, padDose: share * free.padDose.p50 }).chanceSolidAtStop,
    );
    expect([...chances].sort((a, b) => a - b)).toEqual(chances);
    expect(chances.at(-1)!).toBeGreaterThan(PLAN.acceptableMiss);
  });

  it('leaves no more than a tenth of all draws past a limit while held', () => {
    const allowance = { ...GENEROUS, padDose: free.padDose.p50 };
    const band = drawn(touch, allowance);
    expect(band.padDose.p90).toBeLessThanOrEqual(allowance.padDose * 1.02);
  });

  it('is where a body that has to live reaches its limit', () => {
    const band = drawn(touch, { ...GENEROUS, body_K: kelvin(180) });
    expect(band.because).toBe('part limit');
    expect(isSure(band)).toBe(false);
  });

  it('never comes before a hand can follow it, nor after the longest dwell', () => {
    expect(drawn(lump(0.05, 300, 190)).stop_s).toBe(PLAN.leastStop_s);
    const slow = drawn(lump(40, 300, 190, 12));
    expect(slow.stop_s).toBe(12);
    expect(slow.because).toBe('longest dwell');
    expect(slow.chanceSolidAtStop).toBe(1);
    expect(slow.melt_s.p50).toBe(Infinity);
  });
});

describe('a band that need not be drawn further', () => {
  const settled = (touch: Touch, draws: number, allowance = GENEROUS): boolean => {
    const some = dwells(touch, { draws: 200, seed: 1, from: 0, to: draws });
    return isSettled(bandOf(touch, some, allowance), some);
  };

  it('is one that melts quickly, far from every limit', () => {
    expect(settled(lump(0.3, 300, 190), PLAN.leastDraws)).toBe(true);
  });

  it('is one whose tenths would hardly move: all its draws say the same to what a hand can time', () => {
    for (const tau_s of [0.1, 0.2, 0.3]) {
      const touch = lump(tau_s, 300, 190);
      const [some, all] = [
        dwells(touch, { draws: 200, seed: 1, to: 50 }),
        dwells(touch, { draws: 200, seed: 1 }),
      ];
      const [few, many] = [bandOf(touch, some, GENEROUS), bandOf(touch, all, GENEROUS)];
      expect(isSettled(few, some)).toBe(true);
      // Two standard errors.
      for (const tenth of ['p10', 'p50', 'p90'] as const)
        expect(Math.abs(few.melt_s[tenth] - many.melt_s[tenth])).toBeLessThan(2 * PLAN.timed_s);
    }
  });

  it('is none whose tenths are still wide, the fewer draws the more', () => {
    expect(settled(lump(4, 300, 190), PLAN.leastDraws)).toBe(false);
    expect(settled(lump(1.8, 300, 190), 10)).toBe(false);
  });

  it('is none where a budget or a body sets the stop, or a draw never melts', () => {
    const touch = lump(0.3, 300, 190);
    const free = drawn(touch);
    expect(settled(touch, 50, { ...GENEROUS, padDose: free.padDose.p50 })).toBe(false);
    expect(settled(touch, 50, { ...GENEROUS, body_K: kelvin(180) })).toBe(false);
    expect(settled(lump(8, 300, 190), 200)).toBe(false);
  });
});
