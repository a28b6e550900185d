import { describe, expect, it } from 'vitest';
import { clockWords } from './clockWords';
import { sinceText } from './figures';

// Rule broken: findings M11 (look), one ended clock was "0.0", "time is up" and "2:09:05 since it ended" at once.
describe('a clock in words', () => {
  it.each([
    ['wait', 90_000, 'running', '1:30', 'left', ''],
    ['wait', -7_740_000, 'ended', '2 h 09 min', 'over', 'Ready: go on'],
    ['heat', 3_200, 'running', '3.2', 'to its stop', ''],
    ['heat', -2_000, 'late', '2 s', 'past its stop', 'Take the heat off'],
  ] as const)('a %s with %i ms to go is %s: %s %s', (kind, left_ms, state, figure, says, allowed) => {
    expect(clockWords(kind, left_ms)).toEqual({ state, figure, says, allowed });
  });

  it.each([
    [0, '0 s'],
    [59_900, '59 s'],
    [60_000, '1 min'],
    [3_600_000, '1 h 00 min'],
    [49 * 3_600_000, '2 d'],
  ])('%i ms are %s', (ms, words) => {
    expect(sinceText(ms)).toBe(words);
  });
});
