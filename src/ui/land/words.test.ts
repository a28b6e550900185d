import { describe, expect, it } from 'vitest';
import { anyPackage, type AnyPackageInput } from '~/schema/values/package';
import { layoutOf, viewOf } from './layout';
import { notesFit, within, wordPlaces, type Spot } from './words';

const HOLES = { leadDiameter_mm: 0.5, holeDiameter_mm: 0.8, landDiameter_mm: 1.6 };
const PARTS: Record<string, unknown> = {
  'a capacitor': { family: 'radial', pins: 2, pitch_mm: 5, ...HOLES, bodyDiameter_mm: 10 },
  'a resistor': { family: 'axial', pins: 2, pitch_mm: 10.16, ...HOLES, bodyDiameter_mm: 2.4 },
  'a DIP-8': { family: 'dip', pins: 8, pitch_mm: 2.54, rowSpacing_mm: 7.62, ...HOLES },
  'a DIP-14': { family: 'dip', pins: 14, pitch_mm: 2.54, rowSpacing_mm: 7.62, ...HOLES },
  'a header': { family: 'header', pins: 6, pitch_mm: 2.54, ...HOLES, bodyWidth_mm: 5 },
  'a SOIC-8': { family: 'soic', pins: 8 },
  'a chip': { family: 'chip', code: '0805' },
};

const parsed = (spec: unknown): AnyPackageInput => anyPackage.parse(spec);

/** A box about a word of so many letters, as it is drawn. */
function boxOf(spot: Spot, letters: number, size: number): [number, number, number, number] {
  const width = letters * 0.6 * size;
  const left = { start: spot.x, middle: spot.x - width / 2, end: spot.x - width }[spot.textAnchor];
  return [left, spot.y - 0.75 * size, left + width, spot.y];
}

const meet = (a: readonly number[], b: readonly number[]): boolean =>
  a[0]! < b[2]! && b[0]! < a[2]! && a[1]! < b[3]! && b[1]! < a[3]!;

describe('numbers and order marks on a land drawing', () => {
  it.each(Object.entries(PARTS))('of %s never lie on each other or on another land', (_, spec) => {
    const layout = layoutOf(parsed(spec), 'part side');
    const { unit } = viewOf(layout, 1, null);
    expect(layout.fine).toBe(false);
    const words = layout.places.map((place, i) => ({
      place,
      ...wordPlaces(place, layout.body, { fine: false, unit, odd: i % 2 === 1 }),
    }));
    const numbers = words.map((w) => boxOf(w.number, w.place.pad.length, 1.15 * unit));
    const discs = words.map(({ order: { x, y } }) => [
      x - 0.5 * unit,
      y - 0.5 * unit,
      x + 0.5 * unit,
      y + 0.5 * unit,
    ]);
    const lands = words.map(({ place: p }) => [
      p.x - p.halfWidth,
      p.y - p.halfHeight,
      p.x + p.halfWidth,
      p.y + p.halfHeight,
    ]);
    words.forEach((_w, i) => {
      words.forEach((_v, k) => {
        if (i === k) return;
        expect(meet(numbers[i]!, numbers[k]!), `numbers ${i + 1} and ${k + 1}`).toBe(false);
        expect(meet(discs[i]!, discs[k]!), `discs ${i + 1} and ${k + 1}`).toBe(false);
        expect(meet(numbers[i]!, discs[k]!), `number ${i + 1} and disc ${k + 1}`).toBe(false);
        expect(meet(numbers[i]!, lands[k]!), `number ${i + 1} and land ${k + 1}`).toBe(false);
      });
    });
  });
});

describe('notes under the pads of a row', () => {
  const row = layoutOf(parsed({ ...(PARTS['a header'] as object), pins: 10 }), 'part side');
  const { unit } = viewOf(row, 1, null);

  it('are drawn where there is room, in two rows where it is scarce', () => {
    expect(notesFit(['0.2 s', '0.3 s'], row.pitch, { unit, crowded: true })).toBe(true);
    expect(notesFit([], row.pitch, { unit, crowded: true })).toBe(true);
    expect(notesFit(['0.2–0.3 s'], 20, { unit, crowded: false })).toBe(true);
  });

  it('of a pad at the edge stay within the drawing', () => {
    const view = { x: -10, width: 20, unit: 1 };
    const spot = { x: -9.5, y: 0, textAnchor: 'middle' } as const;
    const note = '0.7–1.3 s';
    const half = (note.length * 0.6 * 0.92) / 2;
    expect(within(spot, note, view).x - half).toBeGreaterThan(-10);
    expect(within({ ...spot, x: 9.9 }, note, view).x + half).toBeLessThan(10);
    expect(within({ ...spot, x: 1 }, note, view).x).toBe(1);
  });

  it('are left to the chosen pad where they would lie on each other', () => {
    expect(notesFit(['0.2–0.3 s'], row.pitch, { unit, crowded: true })).toBe(false);
    expect(notesFit(['0.2 s'], row.pitch, { unit, crowded: false })).toBe(false);
  });
});
