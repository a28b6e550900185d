import { describe, expect, it } from 'vitest';
import { combine } from './combine';
import { discharged, suggestDischarge, timeTo_s } from './discharge';
import type { Part } from './parts/part';

const cap = (value: number, changes: Partial<Part> = {}): Part => ({
  kind: 'capacitor',
  technology: 'film',
  value,
  rating_V: 400,
  tolerance: [0.1, 0.1],
  ...changes,
});
const res = (value: number, rating_W = 0.25): Part => ({
  kind: 'resistor',
  value,
  rating_W,
  tolerance: [0.05, 0.05],
});
const many = (part: Part, count = 5) => ({ part, count });

describe('combinations from stock', () => {
  it('capacitors side by side add, and their tolerance by worst case and by squares', () => {
    const [best] = combine(cap(200e-9), [many(cap(100e-9))], 2);
    expect(best!.how).toBe('parallel');
    expect(best!.whole.value).toBeCloseTo(200e-9, 15);
    expect(best!.worst[0]).toBeCloseTo(0.1, 9);
    // Two alike and independent: 10 % / √2.
    expect(best!.rootSumSquare).toBeCloseTo(0.1 / Math.SQRT2, 9);
  });

  it('a single part comes before a pair, and nothing is used that is not there', () => {
    const found = combine(cap(200e-9), [many(cap(100e-9), 1), many(cap(220e-9))], 3);
    expect(found[0]!.how).toBe('single');
    expect(found.some((c) => c.how === 'parallel' && c.parts.every((p) => p.value === 100e-9))).toBe(false);
  });

  it('resistors in a row add and share the loss by their value', () => {
    const [best] = combine(res(9400, 0.5), [many(res(4700))], 2);
    expect(best).toMatchObject({ how: 'series' });
    expect(best!.whole.value).toBe(9400);
    expect(best!.whole.rating_W).toBeCloseTo(0.5, 12);
    // 1 kΩ beside 9 kΩ takes nine tenths of the current and of the loss.
    const mixed = combine(res(900, 0.27), [many(res(1000, 0.25)), many(res(9000, 0.25))], 2).find(
      (c) => c.how === 'parallel',
    );
    expect(mixed!.whole.rating_W).toBeCloseTo(0.25 / 0.9, 9);
  });

  it('capacitors in series share the voltage by the worse of their tolerances', () => {
    const wanted = cap(50e-9, { rating_V: 600 });
    const pair = combine(wanted, [many(cap(100e-9))], 2).find((c) => c.how === 'series')!;
    // One 10 % low beside one 10 % high: 400 V × (0.9 + 1.1) / 1.1 = 727 V, not 800 V.
    expect(pair.whole.rating_V).toBeCloseTo((400 * 2) / 1.1, 6);
  });

  // Common practice: the mains pair is of one class, each with the whole rating; none in series.
  it('across the mains only like stands beside like', () => {
    const x2 = (value: number, changes: Partial<Part> = {}): Part =>
      cap(value, { rating_V: 275, safetyClass: 'X2', ...changes });
    const wanted = x2(200e-9);
    expect(combine(wanted, [many(x2(100e-9))], 2).map((c) => c.how)).toEqual(['parallel']);
    expect(combine(wanted, [many(x2(100e-9), 1), many(cap(100e-9), 1)], 2)).toEqual([]);
    expect(combine(x2(100e-9), [many(x2(200e-9), 2)], 2).filter((c) => c.how === 'series')).toEqual([]);
  });
});

describe('a capacitor bled', () => {
  it('follows its exponential: 220 µF at 325 V through 100 kΩ is at 60 V after 37 s', () => {
    // u = U e^(−t/RC), any handbook: RC = 22 s, ln(325/60) = 1.689.
    const { time_s, peak_W, energy_J } = discharged({
      value_F: 220e-6,
      from_V: 325,
      resistor_Ohm: 100e3,
      to_V: 60,
    });
    expect(time_s).toBeCloseTo(37.17, 1);
    expect(peak_W).toBeCloseTo(1.056, 3);
    expect(energy_J).toBeCloseTo(11.62, 2);
    expect(timeTo_s({ value_F: 1e-6, from_V: 40, resistor_Ohm: 1e3 }, 60)).toBe(0);
  });

  it('a resistor is suggested that a bench has, that stands it, and that a hand can wait for', () => {
    const told = suggestDischarge({ value_F: 220e-6, from_V: 325, to_V: 60 })!;
    expect(told.time_s).toBeLessThan(10);
    expect(325 ** 2 / told.resistor_Ohm).toBeLessThanOrEqual(6.25 * told.power_W);
    expect(suggestDischarge({ value_F: 1, from_V: 400, to_V: 60 })).toBeNull();
  });
});
