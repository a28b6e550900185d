import { describe, expect, it } from 'vitest';
import { classificationPeak_K } from '~/core/packages/classification';
import { bakeAdvice, FLOOR_LIFE_s, type MoistureLevel } from '~/core/packages/moisture';
import { celsius, kelvin } from '~/core/quantity/convert';

/** J-STD-020 tables 4-1, 4-2 and 5-1 and J-STD-033 table 4-1, from memory. */

describe('J-STD-020 table 4-1, tin–lead classification temperatures', () => {
  it.each([
    [2.4, 349, 235],
    [2.4, 350, 220],
    [2.5, 349, 220],
    [2.5, 2001, 220],
  ])('%d mm, %d mm³: %d °C', (thickness_mm, volume_mm3, peak_C) => {
    expect(celsius(classificationPeak_K(true, thickness_mm * 1e-3, volume_mm3 * 1e-9))).toBeCloseTo(
      peak_C,
      9,
    );
  });
});

describe('J-STD-020 table 4-2, lead-free classification temperatures', () => {
  it.each([
    [1.5, 349, 260],
    [1.5, 1000, 260],
    [1.5, 2001, 260],
    [1.6, 349, 260],
    [1.6, 1000, 250],
    [1.6, 2001, 245],
    [2.4, 2001, 245],
    [2.6, 349, 250],
    [2.6, 1000, 245],
    [2.6, 2001, 245],
  ])('%d mm, %d mm³: %d °C', (thickness_mm, volume_mm3, peak_C) => {
    expect(celsius(classificationPeak_K(false, thickness_mm * 1e-3, volume_mm3 * 1e-9))).toBeCloseTo(
      peak_C,
      9,
    );
  });
});

const HOUR_s = 3600;

describe('floor life at 30 °C and 60 %', () => {
  it.each([
    ['2', 365 * 24],
    ['2a', 28 * 24],
    ['3', 168],
    ['4', 72],
    ['5', 48],
    ['5a', 24],
    ['6', 0],
  ] as [MoistureLevel, number][])('level %s: %d h', (level, hours) => {
    expect(FLOOR_LIFE_s[level]).toBe(hours * HOUR_s);
  });

  it('level 1 has no end', () => {
    expect(FLOOR_LIFE_s['1']).toBe(Infinity);
  });
});

describe('J-STD-033 table 4-1, bake before rework', () => {
  const hours = (level: MoistureLevel, thickness_mm: number, over_h: number, at_C: 125 | 90 | 40): number => {
    const advice = bakeAdvice(
      level,
      thickness_mm * 1e-3,
      FLOOR_LIFE_s[level] + over_h * HOUR_s,
      kelvin(230),
      at_C,
    );
    if (advice.kind !== 'bake') throw new Error(advice.kind);
    return advice.hours;
  };

  it.each([
    ['2', 1.4, 100, 125, 5],
    ['2a', 1.4, 10, 125, 5],
    ['3', 1.4, 100, 125, 9],
    ['3', 1.4, 10, 125, 7],
    ['4', 1.4, 100, 90, 37],
    ['5a', 1.4, 100, 40, 22 * 24],
    ['3', 2.0, 100, 125, 27],
    ['3', 2.0, 10, 90, 2 * 24],
    ['5', 2.0, 100, 125, 40],
    ['5a', 2.0, 10, 40, 56 * 24],
    ['3', 4.5, 100, 125, 48],
    ['5a', 4.5, 10, 90, 10 * 24],
  ] as [MoistureLevel, number, number, 125 | 90 | 40, number][])(
    'level %s, %d mm, %d h over, at %d °C: %d h',
    (level, thickness_mm, over_h, at_C, wanted) => {
      expect(hours(level, thickness_mm, over_h, at_C)).toBe(wanted);
    },
  );

  it('a body that stays under 200 °C needs none (J-STD-033, local rework)', () => {
    expect(bakeAdvice('5a', 1e-3, 1e9, kelvin(199), 125)).toEqual({ kind: 'none', because: 'below 200 °C' });
  });

  it('level 1 and floor life in hand need none; level 6 and thick bodies follow their label', () => {
    const hot = kelvin(240);
    expect(bakeAdvice('1', 1e-3, 1e9, hot, 125).kind).toBe('none');
    expect(bakeAdvice('3', 1e-3, 100 * HOUR_s, hot, 125)).toEqual({
      kind: 'none',
      because: 'floor life left',
    });
    expect(bakeAdvice('6', 1e-3, 0, hot, 125)).toEqual({ kind: 'label', because: 'level 6' });
    expect(bakeAdvice('3', 5e-3, 1e9, hot, 125)).toEqual({
      kind: 'label',
      because: 'thicker than the table',
    });
  });

  it('never asks less of a thicker body or of a higher level', () => {
    for (const at_C of [125, 90, 40] as const) {
      for (const level of ['2', '2a', '3', '4', '5', '5a'] as const) {
        expect(hours(level, 2, 100, at_C)).toBeGreaterThanOrEqual(hours(level, 1.4, 100, at_C));
        expect(hours(level, 4, 100, at_C)).toBeGreaterThanOrEqual(hours(level, 2, 100, at_C));
      }
    }
  });
});
