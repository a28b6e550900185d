import { describe, expect, it } from 'vitest';
import { LiveSeries, outlookOf } from './liveSeries';

const filled = (values: readonly (number | null)[], every_ms = 100): LiveSeries => {
  const series = new LiveSeries();
  values.forEach((v, i) => series.add(i * every_ms, v));
  return series;
};

describe('readings as they come', () => {
  it('are told since a time, with gaps, and the newest alone', () => {
    const series = filled([1, 2, null, 4]);
    expect([...series.since(100).value]).toEqual([2, NaN, 4]);
    expect(series.last).toBe(4);
    expect(filled([1, null]).last).toBeNull();
    expect(new LiveSeries().last).toBeNull();
  });

  it('that are told twice after a broken line stand once', () => {
    const series = filled([1, 2, 3]);
    series.add(100, 9);
    series.add(200, 9);
    series.add(300, 4);
    expect([...series.since(0).value]).toEqual([1, 2, 3, 4]);
  });

  it('make room, the oldest first: ten minutes stay', () => {
    const series = new LiveSeries();
    for (let i = 0; i < 20_000; i++) series.add(i * 100, i);
    expect(series.length).toBeLessThanOrEqual(12_000);
    expect(series.length).toBeGreaterThanOrEqual(6000);
    expect(series.last).toBe(19_999);
    const { at_ms } = series.since(0);
    expect(at_ms.every((t, i) => i === 0 || t > at_ms[i - 1]!)).toBe(true);
  });

  it('tell ramp, peak and time over a level: a straight rise of 20 K/s', () => {
    const series = filled(Array.from({ length: 101 }, (_, i) => 20 + 2 * i));
    const { ramp_K_s, peak, above_s } = outlookOf(series, 0, 183);
    expect(ramp_K_s).toBeCloseTo(20, 9);
    expect(peak).toBe(220);
    expect(above_s).toBeCloseTo((220 - 184) / 20, 9);
    expect(outlookOf(filled([20, 21]), 0, 183).ramp_K_s).toBeNull();
  });
});
