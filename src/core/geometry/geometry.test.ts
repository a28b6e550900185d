import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areaOf, distanceToLine, insidePolygon, lengthOf, type Point } from './polygon';
import { largestLoop, type Stroke } from './chain';
import { carried, scaleOf, similarityOf } from './similarity';

const SQUARE: Point[] = [
  [0, 0],
  [4, 0],
  [4, 4],
  [0, 4],
];
/** A U: a square with a slot from above. */
const U: Point[] = [
  [0, 0],
  [6, 0],
  [6, 6],
  [4, 6],
  [4, 2],
  [2, 2],
  [2, 6],
  [0, 6],
];

describe('polygons', () => {
  it('know their inside, slots included', () => {
    expect(insidePolygon([2, 2], SQUARE)).toBe(true);
    expect(insidePolygon([5, 2], SQUARE)).toBe(false);
    expect(insidePolygon([3, 1], U)).toBe(true);
    expect(insidePolygon([3, 4], U)).toBe(false);
    expect(insidePolygon([1, 5], U)).toBe(true);
  });

  it('area: a circle of 360 chords is π r² but for (2π/360)²/6 of it', () => {
    const circle = Array.from({ length: 360 }, (_, i): Point => {
      const at = (i * Math.PI) / 180;
      return [3 * Math.cos(at), 3 * Math.sin(at)];
    });
    expect(areaOf(circle) / (9 * Math.PI)).toBeCloseTo(1 - ((2 * Math.PI) / 360) ** 2 / 6, 8);
    expect(areaOf(U)).toBe(36 - 8);
    expect(areaOf([...U].reverse())).toBe(28);
  });

  it('lines: length, and how far a point lies from them', () => {
    expect(
      lengthOf([
        [0, 0],
        [3, 4],
        [3, 10],
      ]),
    ).toBe(11);
    expect(
      distanceToLine(
        [1, 1],
        [
          [0, 0],
          [4, 0],
        ],
      ),
    ).toBe(1);
    expect(
      distanceToLine(
        [7, 4],
        [
          [0, 0],
          [4, 0],
        ],
      ),
    ).toBe(5);
    expect(distanceToLine([3, 4], [[0, 0]])).toBe(5);
  });
});

describe('the similarity through two pairs of points', () => {
  it('carries each onto its mate, and keeps angles and ratios', () => {
    const number = fc.double({ min: -500, max: 500, noNaN: true });
    const point = fc.tuple(number, number);
    fc.assert(
      fc.property(point, point, point, point, point, (p, q, u, v, w) => {
        fc.pre(Math.hypot(p[0] - q[0], p[1] - q[1]) > 1);
        const s = similarityOf([p, q], [u, v])!;
        const near = (a: Point, b: Point): void => {
          expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeLessThan(1e-6 * (1 + scaleOf(s)));
        };
        near(carried(s, p), u);
        near(carried(s, q), v);
        const [pw, pq] = [Math.hypot(w[0] - p[0], w[1] - p[1]), scaleOf(s)];
        const image = carried(s, w);
        expect(Math.hypot(image[0] - u[0], image[1] - u[1])).toBeCloseTo(pw * pq, 5);
      }),
      { seed: 3, numRuns: 100 },
    );
  });

  it('is none through one point twice', () => {
    expect(
      similarityOf(
        [
          [1, 1],
          [1, 1],
        ],
        [
          [0, 0],
          [1, 0],
        ],
      ),
    ).toBeNull();
  });
});

describe('strokes that close', () => {
  const square = (size: number): Stroke[] => [
    [
      [0, 0],
      [size, 0],
    ],
    [
      [size, size],
      [size, 0],
    ],
    [
      [0, size],
      [size, size],
    ],
    [
      [0, 0],
      [0, size],
    ],
  ];

  it('make a line, whatever their order and direction', () => {
    const loop = largestLoop(square(10), 0.01)!;
    expect(loop).toHaveLength(4);
    expect(areaOf(loop)).toBeCloseTo(100, 9);
  });

  it('of several the largest is taken; what does not close makes none', () => {
    expect(
      areaOf(
        largestLoop(
          [
            ...square(2),
            ...square(30).map(([a, b]): Stroke => [
              [a[0] + 50, a[1]],
              [b[0] + 50, b[1]],
            ]),
          ],
          0.01,
        )!,
      ),
    ).toBeCloseTo(900, 9);
    expect(largestLoop(square(10).slice(0, 3), 0.01)).toBeNull();
  });

  it('join over a gap that is small enough and over no other', () => {
    const gap: Stroke[] = [
      ...square(10).slice(0, 3),
      [
        [0.005, 0],
        [0, 10],
      ],
    ];
    expect(largestLoop(gap, 0.01)).not.toBeNull();
    expect(largestLoop(gap, 0.001)).toBeNull();
  });
});
