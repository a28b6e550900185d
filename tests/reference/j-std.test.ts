import { describe, expect, it } from 'vitest';
import { classificationPeak_K } from '~/core/packages/classification';
import { formOf, mouldOf } from '~/core/packages/form';
import { surfacePackage } from '~/core/packages/outlines';
import type { SurfacePackage } from '~/core/packages/surface';
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

const mould = (thickness_mm: number, side_mm = 10, array = false) => ({
  thickness_m: thickness_mm * 1e-3,
  length_m: side_mm * 1e-3,
  width_m: side_mm * 1e-3,
  array,
});

describe('which peak a moulded body may see', () => {
  const limit_C = (part: SurfacePackage, alloy: Parameters<typeof formOf>[1]): number =>
    celsius(formOf(part, alloy, 1.6e-3).body.limit_K);
  const soic = surfacePackage({ family: 'soic', pins: 8 });
  const bga = surfacePackage({ family: 'bga', rows: 16, columns: 16, pitch_m: 1e-3 });

  it('is what its own label says, whatever alloy it stands in', () => {
    for (const alloy of ['sn60pb40', 'sac305', 'sn42bi58'] as const)
      expect(limit_C({ ...soic, ratedPeak_K: kelvin(220) }, alloy)).toBeCloseTo(220, 9);
  });

  it('is no higher for a low-melt alloy melted into a leaded board: that says nothing of the part', () => {
    for (const alloy of ['sn42bi58', 'in51bi33sn16', 'sn42bi57ag1'] as const)
      expect(limit_C(soic, alloy)).toBe(limit_C(soic, 'sn60pb40'));
    expect(limit_C(soic, 'sac305')).toBeGreaterThan(limit_C(soic, 'sn60pb40'));
  });

  it('goes by the mould without balls: a 17 mm array of 1.7 mm with 0.4 mm of balls counts as 1.3 mm and 260 °C', () => {
    expect(bga.body.height_m).toBeGreaterThan(1.6e-3);
    expect(mouldOf(bga).thickness_m).toBeLessThan(1.4e-3);
    expect(limit_C(bga, 'sac305')).toBeCloseTo(260, 9);
  });

  it('of a lead-free body of 2.5 mm is the middle row’s', () => {
    expect(celsius(classificationPeak_K(false, 2.5e-3, 300e-9))).toBeCloseTo(260, 9);
    expect(celsius(classificationPeak_K(false, 2.5e-3, 1000e-9))).toBeCloseTo(250, 9);
    expect(celsius(classificationPeak_K(false, 2.51e-3, 300e-9))).toBeCloseTo(250, 9);
  });
});

describe('J-STD-033 table 4-1, bake before rework', () => {
  const hours = (level: MoistureLevel, thickness_mm: number, over_h: number, at_C: 125 | 90 | 40): number => {
    const advice = bakeAdvice(
      level,
      mould(thickness_mm),
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
    expect(bakeAdvice('5a', mould(1), 1e9, kelvin(199), 125)).toEqual({
      kind: 'none',
      because: 'below 200 °C',
    });
  });

  it('level 1 and floor life in hand need none; level 6 and thick bodies follow their label', () => {
    const hot = kelvin(240);
    expect(bakeAdvice('1', mould(1), 1e9, hot, 125).kind).toBe('none');
    expect(bakeAdvice('3', mould(1), 100 * HOUR_s, hot, 125)).toEqual({
      kind: 'none',
      because: 'floor life left',
    });
    expect(bakeAdvice('6', mould(1), 0, hot, 125)).toEqual({ kind: 'label', because: 'level 6' });
    expect(bakeAdvice('3', mould(5), 1e9, hot, 125)).toEqual({
      kind: 'label',
      because: 'thicker than the table',
    });
  });

  it('arrays over 17 mm by 17 mm have a row of their own: 96 h at 125 °C for levels 2 to 5a, 90 and 40 °C by their label', () => {
    const hot = kelvin(240);
    for (const level of ['2', '2a', '3', '4', '5', '5a'] as const) {
      const out_s = FLOOR_LIFE_s[level] + 10 * HOUR_s;
      expect(bakeAdvice(level, mould(1.2, 26.4, true), out_s, hot, 125)).toMatchObject({
        kind: 'bake',
        hours: 96,
      });
      expect(bakeAdvice(level, mould(1.2, 26.4, true), out_s, hot, 90)).toEqual({
        kind: 'label',
        because: 'large array',
      });
      expect(bakeAdvice(level, mould(1.2, 17, true), out_s, hot, 125)).not.toMatchObject({ hours: 96 });
      expect(bakeAdvice(level, mould(1.2, 26.4), out_s, hot, 125)).not.toMatchObject({ hours: 96 });
    }
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
