import { describe, expect, it } from 'vitest';
import { extended, stopOf, type Allowance, type Dwell } from './stop';

/** Doses and a body that rise straight, to the tenth of a second, until `end_s`. */
function straight(end_s: number, pad_1_s: number, laminate_1_s: number, body_K_s: number): Dwell {
  const time_s = Float64Array.from({ length: Math.round(end_s * 10) + 1 }, (_, i) => i / 10);
  return {
    time_s,
    pad: time_s.map((t) => pad_1_s * t),
    laminate: time_s.map((t) => laminate_1_s * t),
    body_K: time_s.map((t) => 300 + body_K_s * t),
    plastic_K: time_s.map((t) => 300 + 2 * body_K_s * t),
  };
}

const allowance = (
  padDose: number,
  laminateDose = Infinity,
  body_K = Infinity,
  plastic_K = Infinity,
): Allowance => ({
  padDose,
  laminateDose,
  body_K,
  plastic_K,
});

describe('the earliest limit of a dwell', () => {
  it('is met within the run where it is reached there', () => {
    const stop = stopOf(straight(6, 0.1, 0.01, 5), allowance(0.25), 12);
    expect(stop.because).toBe('pad budget');
    expect(stop.stop_s).toBeCloseTo(2.5, 9);
  });

  it('is read along the last slope past the end of a run: straight ones are read right', () => {
    const long = straight(12, 0.04, 0.01, 5);
    const short = straight(2, 0.04, 0.01, 5);
    for (const limits of [allowance(0.25), allowance(1, 0.09), allowance(1, 1, 340)]) {
      const [whole, read] = [stopOf(long, limits, 12), stopOf(short, limits, 12)];
      expect(read.because).toBe(whole.because);
      expect(read.stop_s).toBeCloseTo(whole.stop_s, 6);
    }
  });

  it('is the longest dwell where nothing is reached by then, or nothing rises', () => {
    expect(stopOf(straight(2, 0.001, 0, 0), allowance(0.25), 12)).toEqual({
      stop_s: 12,
      because: 'longest dwell',
    });
    expect(stopOf(straight(2, 0, 0, 0), allowance(0.25, 0.25, 400), 12).because).toBe('longest dwell');
  });

  it('is the soonest of several', () => {
    const dwell = straight(6, 0.1, 0.2, 50);
    expect(stopOf(dwell, allowance(0.4, 0.4, 500), 12).because).toBe('laminate budget');
    expect(stopOf(dwell, allowance(0.1, 0.4, 500), 12).because).toBe('pad budget');
    expect(stopOf(dwell, allowance(0.4, 1, 320), 12).because).toBe('part limit');
    expect(stopOf(dwell, allowance(0.4, 1, 320, 330), 12).because).toBe('plastic limit');
  });

  it('goes on from a dose as from a limit', () => {
    const { time_s, pad } = straight(2, 0.05, 0, 0);
    expect(extended(time_s, pad, 1.25)).toBeCloseTo(0.0625, 9);
    expect(extended(time_s, pad, 6)).toBeCloseTo(0.3, 9);
  });
});
