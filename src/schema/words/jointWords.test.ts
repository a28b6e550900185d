import { describe, expect, it } from 'vitest';
import { jointInWords, meltInWords } from './jointWords';

// Rule broken: findings M9 (look), four times for one joint and no word which one to obey.
describe('one joint in one line', () => {
  it('has its temperature, when it melts, at worst, and the stop', () => {
    expect(jointInWords(300, { p50_s: 1.23, p90_s: 4, stop_s: 6 })).toBe(
      '300 °C · molten by about 1.2 s, at worst 4.0 s · stop at 6.0 s',
    );
  });

  it('promises no melt past the stop', () => {
    expect(meltInWords({ p50_s: 2, p90_s: 13.2, stop_s: 12 })).toBe(
      'molten by about 2.0 s, at worst not before the stop',
    );
    expect(meltInWords({ p50_s: null, p90_s: null, stop_s: 12 })).toBe('not molten before its stop');
  });

  it('tells minutes under air without tenths', () => {
    expect(jointInWords(280, { p50_s: 81.6, p90_s: 104.2, stop_s: 174.4 })).toBe(
      '280 °C · molten by about 82 s, at worst 104 s · stop at 174 s',
    );
  });
});
