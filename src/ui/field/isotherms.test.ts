import { describe, expect, it } from 'vitest';
import { bandsOf } from './isotherms';

const grid = { nx: 20, ny: 10, length_mm: 100, width_mm: 50 };
const everywhere = new Uint8Array(200).fill(1);

/** A field that rises by 10 K a column. */
const slope = Float32Array.from({ length: 200 }, (_, c) => 10 * (c % 20));

function xsOf(path: string): number[] {
  return [...path.matchAll(/[ML](-?[\d.]+) /g)].map((m) => Number(m[1]));
}

describe('isotherms', () => {
  it('lie where the field has their value', () => {
    const [band] = bandsOf(slope, everywhere, grid, [95]);
    // 95 °C lies between the middles of columns 9 and 10, at x = 50 mm.
    expect(Math.min(...xsOf(band!.path))).toBeCloseTo(50, 1);
    expect(Math.max(...xsOf(band!.path))).toBeCloseTo(100, 1);
  });

  it('y = 0 is drawn at the bottom', () => {
    const rising = Float32Array.from({ length: 200 }, (_, c) => 10 * Math.floor(c / 20));
    const [band] = bandsOf(rising, everywhere, grid, [70]);
    const ys = [...band!.path.matchAll(/ (-?[\d.]+)/g)].map((m) => Number(m[1]));
    expect(Math.max(...ys)).toBeLessThan(15);
  });

  it('end at the outline, and a cold board has none', () => {
    const half = everywhere.map((_, c) => (c % 20 < 15 ? 1 : 0));
    const [band] = bandsOf(slope, half, grid, [95]);
    expect(Math.max(...xsOf(band!.path))).toBeLessThanOrEqual(78);
    expect(bandsOf(slope, everywhere, grid, [500])[0]!.path).toBe('');
  });
});
