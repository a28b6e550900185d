import { describe, expect, it } from 'vitest';
import { acceptChance, samplingPlan } from './acceptance';

/** Share of bad ones at which a plan accepts with that chance. */
function shareAt(n: number, c: number, chance: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (acceptChance(n, c, middle) > chance) low = middle;
    else high = middle;
  }
  return low;
}

describe('acceptance by samples', () => {
  // ISO 2859-1:1999, table 6-A, limiting quality at a consumer's risk of 10 % (from memory; the same follow from the binomial).
  it.each([
    ['E, AQL 1.0', 13, 0, 0.162],
    ['H, AQL 1.0', 50, 1, 0.0756],
    ['G, AQL 4.0', 32, 3, 0.197],
  ])('code letter %s: n %d, Ac %d has its limiting quality', (_code, n, c, limiting) => {
    expect(shareAt(n, c, 0.1)).toBeCloseTo(limiting, 3);
  });

  it('is the smallest that keeps a bad lot out, and never more than the lot', () => {
    const plan = samplingPlan({ lot: 1000, good: 0.01, bad: 0.15, consumersRisk: 0.1 });
    expect(plan).toMatchObject({ n: 15, accept: 0 });
    expect(acceptChance(15, 0, 0.15)).toBeLessThanOrEqual(0.1);
    expect(acceptChance(14, 0, 0.15)).toBeGreaterThan(0.1);
    expect(samplingPlan({ lot: 6, good: 0.01, bad: 0.15, consumersRisk: 0.1 })).toEqual({
      n: 6,
      accept: 0,
      producersRisk: 0,
      consumersRisk: 0,
    });
  });

  it('lives with a bad one where a good lot would else be turned down too often', () => {
    const strict = samplingPlan({ lot: 1e6, good: 0.01, bad: 0.05, consumersRisk: 0.1 });
    expect(strict.accept).toBeGreaterThan(0);
    expect(strict.producersRisk).toBeLessThanOrEqual(0.2);
    expect(strict.consumersRisk).toBeLessThanOrEqual(0.1);
  });
});
