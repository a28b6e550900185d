import { thinned } from './thinned';
import { describe, expect, it } from 'vitest';
import { uniformStream } from '../random';
import { averageRunLength, intervalFor } from '../../../../tests/support/runLength';
import { cusumOf, cusumOfCounts, intervalForMix, withOdds } from './cusum';
import { pChart } from './pChart';
import { brokenRules } from './runRules';

/** Montgomery, Introduction to Statistical Quality Control, example 7.1 (orange juice cans): bad cans in 30 samples of 50. */
const CANS = [
  12, 15, 8, 10, 4, 7, 16, 9, 14, 10, 5, 6, 17, 12, 22, 8, 10, 5, 13, 11, 20, 18, 24, 15, 9, 12, 7, 13, 9, 6,
];

describe('p-chart', () => {
  const chart = pChart(CANS.map((bad) => ({ bad, of: 50 })));

  it('has centre 0.2313 and limits 0.0524 and 0.4102 on Montgomery’s cans', () => {
    expect(chart.centre).toBeCloseTo(0.2313, 4);
    expect(chart.points[0]!.low).toBeCloseTo(0.0524, 4);
    expect(chart.points[0]!.high).toBeCloseTo(0.4102, 4);
  });

  it('finds samples 15 and 23 outside, and no other', () => {
    const outside = chart.points.flatMap((p, i) => (p.share > p.high ? [i + 1] : []));
    expect(outside).toEqual([15, 23]);
    const told = brokenRules(chart.points.map((p) => p.z)).filter((b) => b.rule === 'beyond');
    expect(told.map((b) => b.at + 1)).toEqual([15, 23]);
  });

  it('without those two has centre 0.2150 and limits 0.0407 and 0.3893, as printed', () => {
    const left = pChart(CANS.filter((_, i) => i !== 14 && i !== 22).map((bad) => ({ bad, of: 50 })));
    expect(left.centre).toBeCloseTo(0.215, 4);
    expect(left.points[0]!.low).toBeCloseTo(0.0407, 4);
    expect(left.points[0]!.high).toBeCloseTo(0.3893, 4);
  });

  it('has limits that follow the sample: Montgomery’s table 7.4, n of 100 at 0.0955 reaches 0.1837', () => {
    const [first, second] = pChart(
      [
        { bad: 12, of: 100 },
        { bad: 8, of: 80 },
      ],
      0.0955,
    ).points;
    expect(first!.high).toBeCloseTo(0.1837, 3);
    expect(second!.high).toBeCloseTo(0.1941, 3);
    expect(first!.low).toBeCloseTo(0.0073, 3);
  });

  it('judges no period in which nothing was counted', () => {
    const [none] = pChart([{ bad: 0, of: 0 }], 0.1).points;
    expect(none).toMatchObject({ z: 0, low: 0, high: 1 });
  });
});

describe('p-chart of joints that go wrong together', () => {
  it('has limits as much wider as the root of what they vary more, and each point fewer sigmas off', () => {
    const counts = [
      { bad: 4, of: 200 },
      { bad: 12, of: 200 },
    ];
    const [alone, together] = [pChart(counts, 0.02), pChart(counts, 0.02, [], 4)];
    expect(together.points[1]!.high - 0.02).toBeCloseTo(2 * (alone.points[1]!.high - 0.02), 12);
    expect(together.points[1]!.z).toBeCloseTo(alone.points[1]!.z / 2, 12);
  });
});

describe('a line thinned for a chart', () => {
  const line = Array.from({ length: 20_000 }, (_, i) => ({ i, y: Math.abs((i * 7919) % 997) }));

  it('is itself where it is short, and no longer than asked where it is not', () => {
    expect(thinned(line.slice(0, 10), 1500, ({ y }) => y)).toEqual(line.slice(0, 10));
    const kept = thinned(line, 1500, ({ y }) => y);
    expect(kept.length).toBeLessThanOrEqual(1500);
    expect(kept.map(({ i }) => i)).toEqual([...kept.map(({ i }) => i)].sort((a, b) => a - b));
  });

  it('keeps its ends, and every peak that stands out', () => {
    const peaked = line.map((p) => (p.i === 12_345 ? { ...p, y: 5000 } : p));
    const kept = thinned(peaked, 1500, ({ y }) => y);
    expect([kept[0], kept.at(-1)]).toEqual([peaked[0], peaked.at(-1)]);
    expect(kept.some(({ y }) => y === 5000)).toBe(true);
  });
});

describe('run rules', () => {
  const flat = Array.from({ length: 20 }, (_, i) => (i % 2 ? 0.4 : -0.4));
  it.each([
    ['beyond', [...flat, 3.1], 20],
    ['two-of-three', [...flat, 2.1, -0.2, 2.2], 22],
    ['four-of-five', [...flat, 1.2, 1.1, -0.5, 1.3, 1.4], 24],
    [
      'nine-on-a-side',
      [...flat.slice(0, 19), -0.1, ...Array.from({ length: 9 }, (_, i) => 0.2 + (i % 2) * 0.1)],
      28,
    ],
    ['six-rising', [...flat, -0.9, -0.5, -0.1, 0.1, 0.5, 0.9], 25],
  ] as const)('%s is seen where it is complete', (rule, z, at) => {
    expect(brokenRules(z).filter((b) => b.rule === rule)[0]).toEqual({ rule, at });
  });

  it('see nothing in a chart that only swings, nor in one that is too good', () => {
    expect(brokenRules(flat)).toEqual([]);
    expect(brokenRules(flat.map((z) => z - 2.5))).toEqual([]);
  });
});

describe('CUSUM', () => {
  it('on Montgomery’s table 9.1 (target 10, slack 0.5) signals over 5 at point 29 with 5.28, seven points after the change', () => {
    const values = [
      9.45, 7.99, 9.29, 11.66, 12.16, 10.18, 8.04, 11.46, 9.2, 10.34, 9.03, 11.47, 10.51, 9.4, 10.08, 9.37,
      10.62, 10.31, 8.52, 10.84, 10.9, 9.33, 12.29, 11.5, 10.6, 11.08, 10.38, 11.62, 11.31, 10.52,
    ];
    const chart = cusumOf(values, { target: 10, slack: 0.5 });
    const first = chart.findIndex((p) => p.sum > 5);
    expect(first + 1).toBe(29);
    expect(chart[28]!.sum).toBeCloseTo(5.28, 2);
    // N⁺ is 7: the shift came between points 22 and 23.
    expect(chart[28]!.since).toBe(7);
    expect(chart[29]!.sum).toBeCloseTo(5.3, 2);
  });

  it('of binary results runs as long as a simulation does, usual and worse', () => {
    const [usual, worse, interval] = [0.02, withOdds(0.02, 3), 3];
    const next = uniformStream(11);
    for (const share of [usual, worse]) {
      let results = 0;
      const runs = 400;
      for (let i = 0; i < runs; i++) {
        let sum = 0;
        while (sum <= interval) {
          results++;
          sum = Math.max(
            0,
            sum + (next() < share ? Math.log(worse / usual) : Math.log((1 - worse) / (1 - usual))),
          );
        }
      }
      const told = averageRunLength(share, usual, worse, interval);
      expect(Math.abs(told / (results / runs) - 1)).toBeLessThan(0.15);
    }
  });

  it('has the interval that gives one false alarm in so many, and signals a change long before', () => {
    const [usual, worse] = [0.01, withOdds(0.01, 3)];
    const interval = intervalFor(usual, worse, 4000);
    expect(averageRunLength(usual, usual, worse, interval)).toBeGreaterThan(3900);
    expect(averageRunLength(usual, usual, worse, interval)).toBeLessThan(4500);
    expect(averageRunLength(worse, usual, worse, interval)).toBeLessThan(400);
  });

  it('has for even work the interval of the chain, and a lower one where sums are only looked at after many results', () => {
    const even = Array.from({ length: 200 }, () => ({ of: 1, usual: 0.02 }));
    const chain = intervalFor(0.02, withOdds(0.02, 3), 2000);
    expect(Math.abs(intervalForMix(even, 3, 2000) / chain - 1)).toBeLessThan(0.15);
    // So long that it is reckoned on: the chain itself is exact.
    const long = intervalFor(0.02, withOdds(0.02, 3), 200_000);
    expect(Math.abs(intervalForMix(even, 3, 200_000) / long - 1)).toBeLessThan(0.05);
    const many = Array.from({ length: 20 }, () => ({ of: 60, usual: 0.02 }));
    expect(intervalForMix(many, 3, 2000)).toBeLessThan(chain);
  });

  it('of counts adds what its single results would, as far as it never falls to nothing within', () => {
    const worse = withOdds(0.01, 3);
    const [one] = cusumOfCounts([{ bad: 2, of: 40, usual: 0.01 }], 3);
    expect(one!.sum).toBeCloseTo(2 * Math.log(worse / 0.01) + 38 * Math.log((1 - worse) / 0.99), 12);
  });
});
