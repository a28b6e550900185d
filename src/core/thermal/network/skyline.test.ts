import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Skyline } from './skyline';

/** A random symmetric, diagonally dominant matrix with few links, and a right-hand side. */
const systems = fc
  .tuple(
    fc.integer({ min: 2, max: 24 }),
    fc.array(fc.tuple(fc.nat(23), fc.nat(23), fc.double({ min: 0.01, max: 5, noNaN: true })), {
      maxLength: 40,
    }),
  )
  .map(([size, raw]) => {
    const links = raw.map(([a, b, g]) => [a % size, b % size, g] as const).filter(([a, b]) => a !== b);
    return { size, links, rhs: Float64Array.from({ length: size }, (_, i) => Math.sin(i + 1)) };
  });

function fill(matrix: Skyline, links: readonly (readonly [number, number, number])[]): number[][] {
  const dense = Array.from({ length: matrix.size }, (_, i) =>
    Array.from({ length: matrix.size }, (_, j) => (i === j ? 1 : 0)),
  );
  matrix.values.fill(0);
  for (let i = 0; i < matrix.size; i++) matrix.values[matrix.index(i, i)] = 1;
  for (const [a, b, g] of links) {
    matrix.values[matrix.index(a, b)]! -= g;
    matrix.values[matrix.index(a, a)]! += g;
    matrix.values[matrix.index(b, b)]! += g;
    dense[a]![b]! -= g;
    dense[b]![a]! -= g;
    dense[a]![a]! += g;
    dense[b]![b]! += g;
  }
  return dense;
}

const residual = (dense: number[][], x: Float64Array, rhs: Float64Array): number =>
  Math.max(...dense.map((row, i) => Math.abs(row.reduce((sum, v, j) => sum + v * x[j]!, 0) - rhs[i]!)));

describe('Skyline', () => {
  it('solves random sparse systems: A x = b to rounding (seeded)', () => {
    fc.assert(
      fc.property(systems, ({ size, links, rhs }) => {
        const matrix = new Skyline(
          size,
          links.map(([from, to]) => ({ from, to })),
        );
        const dense = fill(matrix, links);
        matrix.factorise();
        const x = Float64Array.from(rhs);
        matrix.solve(x);
        expect(residual(dense, x, rhs)).toBeLessThan(1e-11);
      }),
      { seed: 7, numRuns: 200 },
    );
  });

  it('factoring only the rows from the first changed one gives the same answer', () => {
    const links = [
      [0, 1, 1],
      [1, 2, 2],
      [2, 3, 3],
      [0, 3, 0.5],
    ] as const;
    const matrix = new Skyline(
      4,
      links.map(([from, to]) => ({ from, to })),
    );
    const dense = fill(matrix, links);
    matrix.factorise();
    matrix.values[matrix.index(3, 3)]! += 2;
    dense[3]![3]! += 2;
    matrix.factorise(3);
    const rhs = Float64Array.of(1, 0, -1, 2);
    const x = Float64Array.from(rhs);
    matrix.solve(x);
    expect(residual(dense, x, rhs)).toBeLessThan(1e-12);
  });
});
