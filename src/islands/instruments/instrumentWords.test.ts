import { describe, expect, it } from 'vitest';
import { readingWords } from './instrumentWords';

describe('a reading', () => {
  it.each([
    [23.04, 'degC', '23.0 °C'],
    [4.7e-4, 'F', '470 µF'],
    [0.09, 'Ohm', '90.0 mΩ'],
    [12_040, 'Ohm', '12.04 kΩ'],
    [0, 'A', '0.00 A'],
    [-11.98, 'V', '-12.0 V'],
    [30, 'L/min', '30 L/min'],
    [null, 'V', '–'],
  ] as const)('of %s %s is told as %s', (value, unit, words) => {
    expect(readingWords(value, unit)).toBe(words);
  });
});
