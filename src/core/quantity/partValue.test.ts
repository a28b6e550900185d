import { describe, expect, it } from 'vitest';
import { uniformStream } from '~/core/statistics/random';
import { partValueOf, valueInfix, valueInWords, type ValueOf } from './partValue';
import { nearestPreferred, preferredFrom, SERIES } from './series';

const value = (text: string, of: ValueOf): number | null => partValueOf(text, of)?.value ?? null;

describe('values as people write them', () => {
  // IEC 60062:2016, clause 3 and its examples (from memory), and common practice.
  it.each([
    ['104', 'capacitance', 100e-9],
    ['4n7', 'capacitance', 4.7e-9],
    ['p33', 'capacitance', 0.33e-12],
    ['33p', 'capacitance', 33e-12],
    ['0.1uF', 'capacitance', 0.1e-6],
    ['0,1 µF', 'capacitance', 0.1e-6],
    ['22 µ 16 V', 'capacitance', 22e-6],
    ['220µ', 'capacitance', 220e-6],
    ['1000 uF', 'capacitance', 1e-3],
    ['3m3', 'capacitance', 3.3e-3],
    ['479', 'capacitance', 4.7e-12],
    ['2R2', 'resistance', 2.2],
    ['R47', 'resistance', 0.47],
    ['10k', 'resistance', 10e3],
    ['1M5', 'resistance', 1.5e6],
    ['100R', 'resistance', 100],
    ['4702', 'resistance', 47e3],
    ['103', 'resistance', 10e3],
    ['01C', 'resistance', 10e3],
    ['68X', 'resistance', 49.9],
    ['47', 'resistance', 47],
    ['470', 'resistance', 470],
    ['471', 'resistance', 470],
    ['100', 'capacitance', 10e-12],
    ['330 Ω', 'resistance', 330],
    ['4k7', 'resistance', 4700],
    ['101', 'inductance', 100e-6],
    ['4u7', 'inductance', 4.7e-6],
    ['10 mH', 'inductance', 10e-3],
  ] as const)('%s (%s)', (text, of, si) => {
    expect(value(text, of)! / si).toBeCloseTo(1, 12);
  });

  it('off a meter are no codes, and capacitances there have their sign', () => {
    expect(partValueOf('471', 'resistance', 'meter')!.value).toBe(471);
    expect(partValueOf('103', 'resistance', 'meter')!.value).toBe(103);
    expect(partValueOf('4k7', 'resistance', 'meter')!.value).toBe(4700);
    expect(partValueOf('146u', 'capacitance', 'meter')!.value).toBeCloseTo(146e-6, 12);
    expect(partValueOf('146', 'capacitance', 'meter')).toBeNull();
    expect(partValueOf('red red gold silver', 'resistance', 'meter')).toBeNull();
  });

  it('say their tolerance and rating where they stand beside', () => {
    expect(partValueOf('22 µ 16 V', 'capacitance')).toMatchObject({ rating_V: 16, tolerance: null });
    expect(partValueOf('47µF ±20 % 35V', 'capacitance')).toMatchObject({
      rating_V: 35,
      tolerance: [0.2, 0.2],
    });
    expect(partValueOf('104K', 'capacitance')).toMatchObject({ tolerance: [0.1, 0.1] });
    expect(partValueOf('4k7J', 'resistance')).toMatchObject({ value: 4700, tolerance: [0.05, 0.05] });
    expect(partValueOf('106 1C', 'capacitance')).toMatchObject({ rating_V: 16 });
    expect(partValueOf('0.1uF/275VAC', 'capacitance')).toMatchObject({ rating_V: 275 });
  });

  // IEC 60062, table 1: four and five rings.
  it.each([
    ['yellow violet red gold', 4700, 0.05],
    ['brown black black orange brown', 100e3, 0.01],
    ['red red gold silver', 2.2, 0.1],
    ['green blue black', 56, 0.2],
  ])('rings %s', (text, ohm, tolerance) => {
    const read = partValueOf(text, 'resistance')!;
    expect(read.value).toBeCloseTo(ohm, 9);
    expect(read.tolerance).toEqual([tolerance, tolerance]);
  });

  it('are refused where they are none', () => {
    for (const text of ['', 'abc', '4x7', '10 kF', 'red blue', '--', '4n7n'])
      expect(partValueOf(text, 'resistance'), text).toBeNull();
    expect(partValueOf('10 H', 'capacitance')).toBeNull();
  });

  it('are said as the trade says them: 1500 µF, and no millifarads', () => {
    expect(valueInWords(1.5e-3, 'capacitance')).toBe('1500 µF');
    expect(valueInWords(1.5e-3, 'inductance')).toBe('1.5 mH');
    expect(valueInWords(4700, 'resistance')).toBe('4.7 kΩ');
  });

  it('come back as they were, written either way (a thousand of them)', () => {
    const random = uniformStream(5);
    for (let i = 0; i < 1000; i++) {
      const of = (['capacitance', 'resistance', 'inductance'] as const)[i % 3]!;
      const step = SERIES.E96[Math.floor(random() * 96)]!;
      const si = Number(`${step}e${Math.floor(random() * 8) + (of === 'resistance' ? -1 : -11)}`);
      expect(value(valueInWords(si, of), of)! / si, valueInWords(si, of)).toBeCloseTo(1, 9);
      expect(value(valueInfix(si, of), of)! / si, valueInfix(si, of)).toBeCloseTo(1, 9);
    }
  });
});

describe('preferred values (IEC 60063)', () => {
  it('are those of the tables', () => {
    expect(SERIES.E6).toEqual([1, 1.5, 2.2, 3.3, 4.7, 6.8]);
    expect(SERIES.E12).toEqual([1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2]);
    // E96 of IEC 60063: its ends and some of its middle.
    expect([0, 1, 2, 31, 47, 95].map((i) => SERIES.E96[i])).toEqual([1, 1.02, 1.05, 2.1, 3.09, 9.76]);
    expect(preferredFrom(2113, 'E12')).toBe(2200);
    expect(nearestPreferred(4.9e-9, 'E6')).toBeCloseTo(4.7e-9, 15);
  });
});
