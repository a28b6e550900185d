import { describe, expect, it } from 'vitest';
import { UNSURE } from '~/core/thermal/joint/draws';
import { normalQuantile } from '~/core/statistics/normal';
import { uniformStream } from '~/core/statistics/random';
import { LikelyBenches, PRESSED } from './bench';
import { expectedOf, learnt } from './expected';
import { leastSquares } from './leastSquares';
import { deviationsOf, SHARED, worldsOf, type PhaseDraws } from './worlds';

const DRAWS = 2000;
const SLOPES: Partial<Record<(typeof UNSURE)[number], number>> = {
  contact: -0.25,
  copper: -0.1,
  tipOffset: 0.12,
};
const slopeOf = (d: number): number => SLOPES[UNSURE[d]!] ?? 0;

/** Draws whose pace is linear in the deviations: every answer is known in closed form. */
function linear(touches: readonly (readonly [name: string, median_s: number])[], draws = DRAWS): PhaseDraws {
  const z = deviationsOf({ draws, seed: 7 });
  return {
    seed: 7,
    draws,
    touches: touches.map(([name, median_s]) => ({
      touches: [name],
      melts_s: z.map((one) => median_s * Math.exp(-one.reduce((p, x, d) => p + slopeOf(d) * x, 0))),
      limits_s: z.map(() => Infinity),
      longest_s: 12,
    })),
  };
}

const shared = Math.sqrt(UNSURE.reduce((s, name, d) => s + slopeOf(d) ** 2 * SHARED[name], 0));
const own = Math.sqrt(UNSURE.reduce((s, name, d) => s + slopeOf(d) ** 2 * (1 - SHARED[name]), 0));

describe('what is common to a bench', () => {
  it('is told apart from what is one touch’s own', () => {
    const phase = linear([['1', 2]]);
    const worlds = worldsOf(deviationsOf(phase), phase.touches[0]!.melts_s)!;
    expect(worlds.own / worlds.slopes[0]!).toBeCloseTo(own / (slopeOf(0) * Math.sqrt(SHARED.contact)), 1);
    expect(worlds.own).toBeCloseTo(own, 2);
    const mean = worlds.pace.reduce((a, b) => a + b) / DRAWS;
    const spread = Math.sqrt(worlds.pace.reduce((s, x) => s + (x - mean) ** 2, 0) / DRAWS);
    expect(mean).toBeCloseTo(-Math.log(2), 2);
    expect(spread).toBeCloseTo(shared, 2);
  });

  it('stays finite where a joint now and then never melts', () => {
    const phase = linear([['1', 2]]);
    const melts = phase.touches[0]!.melts_s.map((m, i) => (i % 10 ? m : Infinity));
    const worlds = worldsOf(deviationsOf(phase), melts)!;
    expect(worlds.pace.every(Number.isFinite)).toBe(true);
  });

  it('is not read from a touch that mostly does not melt', () => {
    const phase = linear([['1', 2]]);
    const melts = phase.touches[0]!.melts_s.map((m, i) => (i % 2 ? m : Infinity));
    expect(worldsOf(deviationsOf(phase), melts)).toBeNull();
  });

  // Anscombe 1973, The American Statistician 27, first set: y = 3.00 + 0.500 x (from memory).
  it('is fitted by least squares as Anscombe’s table has it', () => {
    const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
    const y = [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68];
    const [a, b] = leastSquares(
      x.map((v) => [1, v]),
      y,
    );
    expect(a).toBeCloseTo(3.0, 2);
    expect(b).toBeCloseTo(0.5, 3);
  });
});

describe('benches weighed by what was seen', () => {
  it('expect nothing else than the plan before anything was seen', () => {
    const first = expectedOf(learnt(linear([['1', 2]]), []), '1', 0)!;
    const whole = Math.hypot(shared, own);
    expect(first.p50_s).toBeCloseTo(2, 2);
    expect(Math.abs(first.p10_s / (2 * Math.exp(-1.2816 * whole)) - 1)).toBeLessThan(0.02);
    expect(Math.abs(first.p90_s / (2 * Math.exp(1.2816 * whole)) - 1)).toBeLessThan(0.02);
  });

  // Bayes for two normals, in closed form: precisions add.
  it('come to the closed form of a normal prior and one normal observation', () => {
    const phase = linear([
      ['1', 2],
      ['2', 3],
    ]);
    const seen_s = 2.6;
    const noise = Math.hypot(own, PRESSED.spread_s / seen_s);
    const gain = shared ** 2 / (shared ** 2 + noise ** 2);
    const mean = Math.log(3) + gain * Math.log(seen_s / 2);
    const left = Math.sqrt(shared ** 2 * (1 - gain) + own ** 2);
    const benches = learnt(phase, [{ touch: '1', melted_s: seen_s + PRESSED.late_s, held_s: 4 }]);
    const now = expectedOf(benches, '2', 1)!;
    expect(Math.log(now.p50_s)).toBeCloseTo(mean, 1);
    expect(Math.log(now.p90_s / now.p10_s) / (2 * 1.2816)).toBeCloseTo(left, 1);
    expect(Math.abs(Math.log(now.p50_s) - mean)).toBeLessThan(0.02);
    expect(benches.effective).toBeLessThan(DRAWS);
  });

  it('take a melt that did not come as one that comes later', () => {
    const phase = linear([
      ['1', 2],
      ['2', 2],
    ]);
    const benches = learnt(phase, [{ touch: '1', melted_s: null, held_s: 3.5 }]);
    const now = expectedOf(benches, '2', 1)!;
    expect(now.p50_s).toBeGreaterThan(2.3);
    expect(now.p10_s).toBeGreaterThan(expectedOf(learnt(phase, []), '2', 0)!.p10_s);
  });

  it('narrow with each melt, and place the next where the bench is', () => {
    const names = ['1', '2', '3', '4', '5', '6'];
    const phase = linear(names.map((name) => [name, 2] as const));
    let wide = Infinity;
    for (const count of [0, 1, 3, 5]) {
      const seen = names
        .slice(0, count)
        .map((touch) => ({ touch, melted_s: 2.9 + PRESSED.late_s, held_s: 4 }));
      const now = expectedOf(learnt(phase, seen), '6', count)!;
      const width = Math.log(now.p90_s / now.p10_s);
      expect(width).toBeLessThan(wide);
      wide = width;
      if (count === 5) expect(now.p50_s).toBeGreaterThan(2.6);
    }
  });

  // A bench far outside of what was drawn: no draw is near it, and still it is found.
  it('are drawn anew where hardly any is left, and go on towards the bench there is', () => {
    const names = Array.from({ length: 9 }, (_, i) => String(i));
    const phase = linear(
      names.map((name) => [name, 2] as const),
      200,
    );
    const benches = new LikelyBenches(phase);
    for (const touch of names.slice(0, 8)) benches.see({ touch, melted_s: 5 + PRESSED.late_s, held_s: 6 });
    expect(benches.renewed).toBeGreaterThan(0);
    expect(benches.effective).toBeGreaterThan(20);
    const now = expectedOf(benches, '8', 8)!;
    expect(now.p50_s).toBeGreaterThan(3.6);
    expect(now.p90_s).toBeGreaterThan(5);
  });

  it('learn nothing of a touch that is not known, and say nothing of it', () => {
    const benches = learnt(linear([['1', 2]]), [{ touch: 'x', melted_s: 1, held_s: 2 }]);
    expect(benches.effective).toBeCloseTo(DRAWS, 3);
    expect(expectedOf(benches, 'x', 0)).toBeNull();
  });

  it('stop where a tenth of the likely has met a limit while held', () => {
    const phase = linear([['1', 2]], 200);
    const limits_s = phase.touches[0]!.melts_s.map((m) => m + 0.4);
    const harmed = { ...phase, touches: [{ ...phase.touches[0]!, limits_s }] };
    const stop_s = expectedOf(learnt(harmed, []), '1', 0)!.stop_s;
    expect(stop_s).toBeLessThan(2);
    const random = uniformStream(1);
    expect(normalQuantile(random())).toBeTypeOf('number');
  });
});
