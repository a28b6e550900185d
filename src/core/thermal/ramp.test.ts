import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SteepestRise, steepestRise_K_s } from './ramp';

const rows = (times: readonly number[], values: readonly number[]): [Float64Array, Float64Array] => [
  Float64Array.from(times),
  Float64Array.from(values),
];

describe('the steepest rise of a body', () => {
  it('is the slope of a straight line, whatever the steps', () => {
    for (const step of [0.05, 0.3, 1, 2]) {
      const times = Array.from({ length: 60 }, (_, i) => i * step);
      expect(
        steepestRise_K_s(
          ...rows(
            times,
            times.map((t) => 300 + 2.5 * t),
          ),
        ),
      ).toBeCloseTo(2.5, 9);
    }
  });

  it('does not see a spike shorter than a second as steeper than it is over that second', () => {
    const times = Array.from({ length: 101 }, (_, i) => i * 0.1);
    const spike = times.map((_, i) => (i === 51 ? 10 : 0));
    // 10 K within 0.1 s, over a window of 1 s.
    expect(steepestRise_K_s(...rows(times, spike))).toBeCloseTo(10, 6);
  });

  it('is never negative, and nothing before a whole second has passed', () => {
    expect(steepestRise_K_s(...rows([0, 0.5, 0.9], [300, 400, 500]))).toBe(0);
    expect(steepestRise_K_s(...rows([0, 1, 2, 3], [300, 290, 280, 270]))).toBe(0);
  });

  it('counts only what lies between the times it is asked about', () => {
    const [times, values] = rows([0, 1, 2, 3, 4], [300, 350, 351, 352, 400]);
    expect(steepestRise_K_s(times, values)).toBe(50);
    expect(steepestRise_K_s(times, values, 1, 3)).toBe(1);
  });

  it('is the same fed sample by sample over a long run as read from the whole history', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.01, max: 0.4, noNaN: true }), { minLength: 700, maxLength: 700 }),
        (steps) => {
          const times: number[] = [];
          let now = 0;
          for (const step of steps) times.push((now += step));
          const values = times.map((t) => 300 + 20 * Math.sin(t));
          const rise = new SteepestRise();
          times.forEach((t, i) => rise.add(t, values[i]!));
          // A sine of 20 K rises by at most 20 K/s, and by its mean over a second or a little more.
          expect(rise.most_K_s).toBeLessThanOrEqual(20);
          expect(rise.most_K_s).toBe(steepestRise_K_s(...rows(times, values)));
        },
      ),
      { seed: 7, numRuns: 10 },
    );
  });
});
