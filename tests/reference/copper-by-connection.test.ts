import { describe, expect, it } from 'vitest';
import type { Connection } from '~/core/thermal/joint/scenario';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import { FOUR_LAYER, planeOn, reliefOn, scenario, trackOn } from '../support/samples';

// Rule broken: findings M9 (plan), a plane asked for on a sparsely covered layer counted almost nothing.
describe('copper at a pin, by what joins it', () => {
  const tracks = (count: number): Connection => ({ kind: 'track', width_m: 1e-3, count, layers: [2] });
  const KINDS: readonly Connection[] = [
    { kind: 'isolated' },
    trackOn(2),
    tracks(2),
    reliefOn(2),
    planeOn(2),
    planeOn(2, 3),
  ];

  for (const coverage of [0.15, 0.3, 0.55, 0.9]) {
    it(`holds it back more from kind to kind, on layers of ${coverage * 100} % copper`, () => {
      const board = { ...FOUR_LAYER, copper: FOUR_LAYER.copper.map((layer) => ({ ...layer, coverage })) };
      const coldest_K = KINDS.map((kind) =>
        simulateJoint(scenario(360, kind, { board }), { duration_s: 3 }).coldestSolder_K.at(-1)!,
      );
      for (let i = 1; i < coldest_K.length; i++) expect(coldest_K[i]!).toBeLessThan(coldest_K[i - 1]!);
    });
  }

  it('a plane is a plane: a pin solid on two inner planes is as far from melting on a layer told as 30 % as on one of 90 %', () => {
    const rise = (coverage: number): number => {
      const board = { ...FOUR_LAYER, copper: FOUR_LAYER.copper.map((layer) => ({ ...layer, coverage })) };
      const run = simulateJoint(scenario(360, planeOn(2, 3), { board }), { duration_s: 3 });
      return run.coldestSolder_K.at(-1)! - 296.15;
    };
    expect(rise(0.3) / rise(0.9)).toBeLessThan(1.15);
  });
});

// Rule broken: findings M5 (heat), a board of 1.65 mm melted a quarter sooner than one of 1.649.
describe('a board a hair thicker', () => {
  for (const [name, connection, set_C] of [
    ['a bare land', { kind: 'isolated' }, 360],
    ['a relief', reliefOn(2), 400],
    ['a plane', planeOn(2), 440],
  ] as const) {
    it(`is no other board: ${name}, 1.649 to 1.651 mm within 1 %, and later little by little from 1.64 to 1.66 mm`, () => {
      const melt_s = (thickness_mm: number): number => {
        const board = { ...FOUR_LAYER, thickness_m: thickness_mm * 1e-3 };
        const run = simulateJoint(scenario(set_C, connection, { board }), { duration_s: 10, tolerance_K: 1 });
        return run.fullMelt_s!;
      };
      const melts = [1.64, 1.645, 1.649, 1.651, 1.655, 1.66].map(melt_s);
      expect(melts[3]! / melts[2]! - 1).toBeLessThan(0.01);
      // What a board gains in thickness it gains in time, a little more where the melt is far off; never a jump.
      for (let i = 1; i < melts.length; i++) {
        expect(melts[i]!).toBeGreaterThan(melts[i - 1]!);
        expect(melts[i]! / melts[i - 1]! - 1).toBeLessThan(0.02);
      }
    });
  }
});
