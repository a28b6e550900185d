import { describe, expect, it } from 'vitest';
import { CAPACITOR } from '../../../tests/support/samples';
import { bodyCapacity_J_K, lands } from './throughHole';

const DIP = { ...CAPACITOR, family: 'dip' as const, pins: 14, pitch_m: 2.54e-3, rowSpacing_m: 7.62e-3 };

describe('lands', () => {
  it('a pair sits a pitch apart about the middle, pin one square and on the left', () => {
    const [one, two] = lands(CAPACITOR);
    expect(one).toMatchObject({ pad: '1', x_m: -2.5e-3, square: true });
    expect(two).toMatchObject({ pad: '2', x_m: 2.5e-3, square: false });
  });

  it('a dual in-line part numbers down the left and up the right (JEDEC MS-001, from memory)', () => {
    const all = lands(DIP);
    const at = (pad: string) => all.find((l) => l.pad === pad)!;
    expect(at('1').x_m).toBeCloseTo(-3.81e-3, 9);
    expect(at('1').y_m).toBeCloseTo(at('14').y_m, 9);
    expect(at('7').y_m).toBeCloseTo(at('8').y_m, 9);
    expect(at('1').y_m - at('7').y_m).toBeCloseTo(6 * 2.54e-3, 9);
    expect(at('8').x_m).toBeCloseTo(3.81e-3, 9);
  });
});

describe('bodies', () => {
  it('a 10 × 12.5 mm can stores about 2 J/K (1 cm³ of filled winding)', () => {
    expect(bodyCapacity_J_K(CAPACITOR)).toBeCloseTo(1.96, 1);
  });
});
