import { describe, expect, it } from 'vitest';
import { anyPackage, type AnyPackageInput } from '~/schema/values/package';
import { LEAST_LETTER, layoutOf, viewOf } from './layout';
import { zoomAtHand } from './useZoom';
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

// Rule broken: findings M6 (look), pin numbers of a fine part were 6.8 px and could not be read.
describe('on a screen', () => {
  it.each(Object.entries(PARTS))(
    'no letter of %s is smaller than twelve pixels, and all of it is in view',
    (_, spec) => {
      const layout = layoutOf(parsed(spec), 'part side');
      for (const frame of [
        { width: 290, height: 230 },
        { width: 430, height: 400 },
      ])
        for (const zoom of [1, 2, 4]) {
          const view = viewOf(layout, zoom, null, frame);
          const px = Math.min(frame.width / view.width, frame.height / view.height);
          expect(LEAST_LETTER.ofUnit * view.unit * px).toBeGreaterThan(LEAST_LETTER.px - 0.4);
          if (zoom === 1) expect(view.width / 2).toBeGreaterThanOrEqual(layout.halfWidth - 1e-9);
        }
    },
  );

  it('a fine pack is looked at closely where work is at hand, a coarse one is not', () => {
    const at = (spec: unknown): number =>
      zoomAtHand(layoutOf(parsed(spec), 'part side'), { width: 290, height: 200 });
    expect(at({ family: 'qfp', pins: 100 })).toBeGreaterThan(1);
    expect(at({ family: 'soic', pins: 8 })).toBe(1);
  });
});
