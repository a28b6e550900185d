import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { percentile } from './percentile';
import { latinHypercube } from './random';

describe('Latin hypercube', () => {
  it('hits every stratum of every dimension once (McKay, Beckman & Conover 1979)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 9 }),
        fc.nat(),
        (count, dimensions, seed) => {
          const points = latinHypercube(count, dimensions, seed);
          for (let d = 0; d < dimensions; d++) {
            const strata = points.map((p) => Math.floor(p[d]! * count)).sort((a, b) => a - b);
            expect(strata).toEqual(Array.from({ length: count }, (_, i) => i));
          }
        },
      ),
      { seed: 3, numRuns: 50 },
    );
  });

  it('is the same for the same seed and another for another', () => {
    expect(latinHypercube(8, 2, 5)).toEqual(latinHypercube(8, 2, 5));
    expect(latinHypercube(8, 2, 5)).not.toEqual(latinHypercube(8, 2, 6));
  });
});

describe('percentile', () => {
  it('interpolates between order statistics (Hyndman & Fan type 7: R’s default, from memory)', () => {
    expect(percentile([1, 2, 3, 4], 0.1)).toBeCloseTo(1.3, 12);
    expect(percentile([1, 2, 3, 4], 0.5)).toBeCloseTo(2.5, 12);
  });

  it('gives infinity only where that share never came', () => {
    expect(percentile([1, 2, 3, Infinity], 0.5)).toBe(2.5);
    expect(percentile([1, 2, Infinity, Infinity], 0.9)).toBe(Infinity);
  });
});
