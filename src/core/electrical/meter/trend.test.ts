import { describe, expect, it } from 'vitest';
import { trendOf } from './trend';

const DAY = 86_400_000;
const YEAR = 365.25;
const at = (days: number, share: number) => ({ at_ms: days * DAY, share });

describe('how a figure went over the visits', () => {
  it('is the slope of the line through them, whatever order they come in', () => {
    const line = [0, 100, 400, 700].map((days) => at(days, 1 - (0.06 * days) / YEAR));
    const trend = trendOf([line[2]!, line[0]!, line[3]!, line[1]!])!;
    expect(trend).toMatchObject({ readings: 4, days: 700, first: 1 });
    expect(trend.perYear).toBeCloseTo(-0.06, 6);
  });

  it('is no rate within one visit, and nothing from one reading', () => {
    expect(trendOf([at(0, 1), at(2, 0.97)])).toMatchObject({ perYear: null, first: 1, last: 0.97 });
    expect(trendOf([at(0, 1)])).toBeNull();
  });
});
