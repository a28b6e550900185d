import { describe, expect, it } from 'vitest';
import { resistanceOf_Ohm } from './resistance';

describe('a resistance as it is written (IEC 60062 codes and meter displays)', () => {
  it.each([
    ['0.2', 0.2],
    ['0,2 Ω', 0.2],
    ['.5', 0.5],
    ['0R2', 0.2],
    ['4k7', 4700],
    ['4K7', 4700],
    ['3M3', 3.3e6],
    ['120 mΩ', 0.12],
    ['1.2 kohm', 1200],
    ['10 M', 1e7],
    ['47 ohms', 47],
  ])('%s is %d Ω', (text, value_Ohm) => {
    expect(resistanceOf_Ohm(text)).toBeCloseTo(value_Ohm, 9);
  });

  it.each(['OL', 'ol', '0L', 'O.L', 'open', '>20M', '∞'])('%s is open', (text) => {
    expect(resistanceOf_Ohm(text)).toBe(Infinity);
  });

  it.each(['', 'x', '1..2', '-3', 'k', '4k7k', '1e3 V'])('%j is none', (text) => {
    expect(resistanceOf_Ohm(text)).toBeNull();
  });
});
