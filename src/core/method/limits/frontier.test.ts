import { describe, expect, it } from 'vitest';
import { planRequest, settingAt } from '../../../../tests/support/samples';
import { kelvin } from '~/core/quantity/convert';
import { uniformStream } from '~/core/statistics/random';
import type { Candidate } from '../candidate';
import { coolDown_s, frontier, frontierAbout, missOf, nearestMiss, preference } from './frontier';
import { PLAN, RANK } from '../settings';

const warm = { kind: 'convective', setpoint_K: kelvin(150), soak_s: 120 } as const;

const candidate = (damage: number, time_s: number | null, changes: Partial<Candidate> = {}): Candidate => ({
  setting: settingAt(360),
  pins: [],
  feasible: time_s !== null,
  time_s,
  damage,
  binding: null,
  ...changes,
});

/** Candidates scattered over damage and time, some of them not feasible. */
function scattered(seed: number): Candidate[] {
  const next = uniformStream(seed);
  return Array.from({ length: 60 }, () =>
    candidate(next(), 1 + 10 * next(), { feasible: next() > 0.2, setting: settingAt(280 + 200 * next()) }),
  );
}

const beats = (a: Candidate, b: Candidate): boolean =>
  a.damage <= b.damage && a.time_s! <= b.time_s! && (a.damage < b.damage || a.time_s! < b.time_s!);

describe.each([1, 2, 3, 4, 5])('the frontier of scattered settings, seed %i', (seed) => {
  const all = scattered(seed);
  const front = frontier(all);
  const able = all.filter((c) => c.feasible);

  it('holds what no other beats, and only that', () => {
    for (const one of able) expect(front.includes(one)).toBe(!able.some((other) => beats(other, one)));
  });

  it('falls in time as it rises in damage', () => {
    for (let i = 1; i < front.length; i++) {
      expect(front[i]!.damage).toBeGreaterThanOrEqual(front[i - 1]!.damage);
      expect(front[i]!.time_s!).toBeLessThan(front[i - 1]!.time_s!);
    }
  });

  it('is not changed by the order they come in, nor by adding what is beaten', () => {
    const worse = candidate(front[0]!.damage + 1, front[0]!.time_s! + 1);
    expect(new Set(frontier([...all].reverse()))).toEqual(new Set(front));
    expect(frontier([worse, ...all])).toEqual(front);
  });

  it('keeps every feasible setting in its order of preference, the least damage first', () => {
    const order = preference(all);
    expect(new Set(order)).toEqual(new Set(able));
    const best = Math.min(...able.map((c) => c.damage));
    expect(order[0]!.damage - best).toBeLessThan(PLAN.damageResolution);
  });
});

describe('the order of preference', () => {
  const timed = (late_s: number) => ({ inTime: true, late_s });

  it('takes damages that cannot be told apart by what a hand can time, and then by the cooler tool', () => {
    const slow = candidate(0.0401, 9, { atWorst: timed(5) });
    const quick = candidate(0.0499, 2.1, { setting: settingAt(400), atWorst: timed(0) });
    const cooler = candidate(0.0449, 3.4, { setting: settingAt(340), atWorst: timed(0.1) });
    const dear = candidate(0.06, 1, { atWorst: timed(0) });
    expect(preference([dear, slow, quick, cooler])).toEqual([cooler, quick, dear, slow]);
  });

  it('does not buy a tenth of a per cent with four times the dwell', () => {
    const long = candidate(0.028, 9.5, { setting: settingAt(280), atWorst: timed(6) });
    const short = candidate(0.029, 2.6, { setting: settingAt(300), atWorst: timed(0) });
    expect(preference([long, short])[0]).toBe(short);
  });

  it('puts what a habit speaks against behind all else', () => {
    const cold = candidate(0.001, 2, { setting: settingAt(240), against: ['too-cold-to-wet'] });
    const wetting = candidate(0.03, 2, { setting: settingAt(320) });
    expect(preference([cold, wetting])).toEqual([wetting, cold]);
  });

  it('never prefers what another beats in both damage and time', () => {
    const beaten = candidate(0.0153, 4.3, { setting: settingAt(260) });
    const better = candidate(0.0148, 2.3, { setting: settingAt(280) });
    expect(preference([beaten, better])[0]).toBe(better);
  });

  it('counts a soak as the minutes it takes', () => {
    const soaked = candidate(0.031, 3, { setting: settingAt(340, undefined, warm) });
    const cold = candidate(0.031 + 0.9 * RANK.perMinute * 2, 3);
    expect(preference([soaked, cold])[0]).toBe(cold);
  });

  it('leaves out what is not feasible', () => {
    expect(preference([candidate(0.1, null), candidate(0.1, 2, { feasible: false })])).toEqual([]);
  });
});

describe('the frontier about a setting', () => {
  it('compares tools in the hand only at the same warmth', () => {
    const cold = candidate(0.2, 3);
    const soaked = candidate(0.1, 2, { setting: settingAt(340, undefined, warm) });
    expect(frontierAbout([cold, soaked], cold)).toEqual([cold]);
    expect(frontierAbout([cold, soaked], soaked)).toEqual([soaked]);
  });
});

describe('the nearest miss', () => {
  const missing = (short_s: number | null, shortOfLiquidus_K: number | null): Candidate =>
    candidate(0.5, null, {
      binding: { pad: '1', limit: 'melt', short_s, shortOfLiquidus_K, lastToMelt: 'barrel' },
    });

  it('is the least late; what never melts is farther off than anything late', () => {
    const late = missing(7, null);
    const never = missing(null, 2);
    expect(nearestMiss([never, missing(9, null), late])).toBe(late);
    expect(nearestMiss([missing(null, 30), never])).toBe(never);
  });

  it('of what melts in time beside a neighbour too hot, is the one that heats it least', () => {
    const beside = (body_C: number): Candidate =>
      candidate(0.1, 5, {
        feasible: false,
        binding: {
          pad: '1',
          limit: 'neighbour',
          short_s: null,
          shortOfLiquidus_K: null,
          lastToMelt: 'pad 1',
          neighbour: {
            ref: 'C2',
            body_K: kelvin(body_C),
            bodyLimit_K: PLAN.neighbourBody_K,
            jointLimit_K: kelvin(163),
            joint_K: kelvin(body_C),
          },
        },
      });
    expect(missOf(beside(210))).toBeLessThan(missOf(beside(240)));
    expect(nearestMiss([beside(240), missing(0.1, null), beside(210)]).binding!.neighbour!.body_K).toBe(
      kelvin(210),
    );
  });

  it('is nothing for what fits', () => {
    expect(missOf({ binding: null })).toBe(0);
  });
});

// Incropera, Fundamentals of Heat and Mass Transfer, ch. 5: lumped cooling, t = τ ln(θ₀/θ).
describe('the wait until a warmed board is cool to the touch', () => {
  const request = planRequest({});

  it('is none without a preheater', () => {
    expect(coolDown_s(request, settingAt(360), 3000, 20)).toBeNull();
  });

  it('goes with heat over film, and by the logarithm of the excess', () => {
    const setting = settingAt(360, undefined, { ...warm, soak_s: 3600 });
    const one = coolDown_s(request, setting, 3000, 20)!;
    expect(coolDown_s(request, setting, 6000, 20)).toBeCloseTo(2 * one, 6);
    expect(coolDown_s(request, setting, 3000, 40)).toBeCloseTo(one / 2, 6);
    const excess = Math.exp(one / (3000 / 20));
    const hot_K = request.ambient_K + excess * (PLAN.cool_K - request.ambient_K);
    expect(hot_K).toBeGreaterThan(kelvin(80));
    expect(hot_K).toBeLessThan(kelvin(150));
  });
});
