import { describe, expect, it } from 'vitest';
import { InputError } from '~/schema/values/faults';
import { parseInput } from '~/schema/values/faults';
import { yearOf } from '~/core/quantity/dateCode';
import {
  dischargeAnswerOf,
  dischargeInput,
  judgeAnswerOf,
  judgeInput,
  jumperAnswerOf,
  jumperInput,
  swapAnswerOf,
  swapInput,
} from './questions';

const faultsOf = (ask: () => unknown): readonly { path: string; message: string }[] => {
  try {
    ask();
  } catch (error) {
    if (error instanceof InputError) return error.faults;
    throw error;
  }
  return [];
};

describe('small questions about parts', () => {
  it('take values as people write them, with tolerance and rating where they stand beside', () => {
    const answer = swapAnswerOf(
      parseInput(swapInput, {
        original: { kind: 'capacitor', technology: 'aluminium', value: '220µ 35 V' },
        candidate: { kind: 'capacitor', technology: 'aluminium', value: '220.9 µF 25 V', esr_Ohm: '30m' },
      }),
    );
    // A lower rating does not fit (common practice).
    expect(answer.verdict).toBe('do-not-fit');
    expect(answer.wouldTurnIt).toContain('35 V or more');
  });

  it('tell a value that cannot be read at its own place', () => {
    const given = {
      original: { kind: 'resistor', value: '4x7' },
      candidate: { kind: 'resistor', value: '4k7' },
    };
    const [fault] = faultsOf(() => swapAnswerOf(parseInput(swapInput, given)));
    expect(fault!.path).toBe('$.original.value');
    expect(fault!.message).toMatch(/"4x7".*4k7/);
    expect(faultsOf(() => parseInput(swapInput, { ...given, extra: 1 }))[0]!.path).toBe('$.extra');
  });

  it('165 µF with 25 Ω where 220 µF is printed is dead; an open reading is null in its limits', () => {
    const ask = (reading: object) =>
      judgeAnswerOf(
        parseInput(judgeInput, {
          part: { kind: 'capacitor', technology: 'aluminium', value: '220µ' },
          reading,
        }),
      );
    expect(ask({ capacitance: '165µ', esr_Ohm: 25 }).verdict).toBe('dead');
    expect(ask({ drop_V: 0.6 }).verdict).toBe('nothing-to-judge');
    const open = judgeAnswerOf(
      parseInput(judgeInput, { part: { kind: 'resistor', value: '1k' }, reading: { resistance: 'OL' } }),
    );
    expect(open).toMatchObject({ verdict: 'dead', limits: [{ read: null }] });
  });

  it('a jumper is what a bench would take (common practice): 2 A no thinner than 26, a signal 30', () => {
    const gauge = (changes: object) =>
      jumperAnswerOf(parseInput(jumperInput, { current_A: 2, length_mm: 60, ...changes })).gauge!;
    expect(gauge({})).toBeLessThanOrEqual(26);
    expect(gauge({ laid: 'free' })).toBeLessThanOrEqual(26);
    expect(gauge({ current_A: 0.05 })).toBe(30);
    expect(gauge({ laid: 'bundled' })).toBeLessThanOrEqual(gauge({ laid: 'free' }));
    // 2 mm of two-ounce copper are 0.14 mm²: gauge 26 has 0.129, so 24.
    expect(gauge({ current_A: 0.5, lostCopper: { width_mm: 2, weight_oz: 2 } })).toBe(24);
    expect(jumperAnswerOf(parseInput(jumperInput, { current_A: 500, length_mm: 60 })).gauge).toBeNull();
  });

  it('a discharge through nothing is refused', () => {
    const given = { capacitance: '220µ', voltage_V: 325, resistor: 0 };
    expect(faultsOf(() => dischargeAnswerOf(parseInput(dischargeInput, given)))[0]!.message).toMatch(/short/);
  });

  it('date codes are years, or years and weeks', () => {
    expect(['2231', '1998', '9807', 'H7', '0099'].map(yearOf)).toEqual([2022, 1998, 1998, null, null]);
  });
});
