import { describe, expect, it } from 'vitest';
import { budget, chance, clockText, seconds, secondsRange } from './figures';

describe('figures as a person reads them', () => {
  it('say never, from and between', () => {
    expect(seconds(null)).toBe('never');
    expect(seconds(3.14)).toBe('3.1 s');
    expect(secondsRange(0.52, 1.3)).toBe('0.5–1.3 s');
    // What no hand can time is told as that, and not to the hundredth.
    expect(secondsRange(0.21, 0.24)).toBe('under 0.5 s');
    expect(secondsRange(0.71, 0.74)).toBe('0.7 s');
    expect(secondsRange(0.7, null)).toBe('from 0.7 s');
    expect(secondsRange(null, null)).toBe('not in reach');
  });

  it('keep a digit for small shares and none for large', () => {
    expect(budget(0.0004)).toBe('< 0.1 %');
    expect(budget(0.034)).toBe('3.4 %');
    expect(budget(0.34)).toBe('34 %');
    expect(budget(null)).toBe('–');
    expect(chance(0, 200)).toBe('under 1 in 200');
    expect(chance(0, 12)).toBe('under 1 in 12');
    expect(chance(0.004, 250)).toBe('1 in 100');
    expect(chance(0.14, 200)).toBe('14 in 100');
  });

  it('run clocks in tenths, then minutes, then hours, and past zero', () => {
    expect(clockText(4_640)).toBe('4.6');
    expect(clockText(125_000)).toBe('2:05');
    expect(clockText(3_723_000)).toBe('1:02:03');
    expect(clockText(-61_000)).toBe('−1:01');
  });
});
