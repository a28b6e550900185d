import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pool } from './pooling';
import { designOf } from './design';
import { beliefMean, chanceLess, effective, rateOf, wilson } from './rates';

describe('Wilson’s interval', () => {
  // Newcombe, Statistics in Medicine 17, 1998, table I, method 3 (score without correction), 95 %.
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('%d of %d is as Newcombe (1998) prints it', (bad, of, low, high) => {
    const rate = wilson({ bad, of }, 0.95);
    expect(rate.low).toBeCloseTo(low, 4);
    expect(rate.high).toBeCloseTo(high, 4);
  });

  it('of nothing counted says nothing', () => {
    expect(wilson({ bad: 0, of: 0 })).toMatchObject({ low: 0, high: 1 });
  });

  it('holds the share, narrows with more counted, and stays within nothing and all', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.nat(400), (of, some) => {
        const bad = some % (of + 1);
        const [few, many] = [wilson({ bad, of }), wilson({ bad: bad * 10, of: of * 10 })];
        expect(few.low).toBeGreaterThanOrEqual(0);
        expect(few.high).toBeLessThanOrEqual(1);
        expect(few.low).toBeLessThanOrEqual(few.share);
        expect(few.high).toBeGreaterThanOrEqual(few.share);
        expect(many.high - many.low).toBeLessThan(few.high - few.low);
      }),
    );
  });
});

describe('counts that hang together', () => {
  it('count as they are where they do not', () => {
    const groups = Array.from({ length: 200 }, (_, i) => ({ bad: i % 10 === 0 ? 1 : 0, of: 1 }));
    expect(effective(groups).of).toBeCloseTo(200, 6);
  });

  it('count as their groups where each group is of one kind', () => {
    // Ten pads of a job that all go wrong, or none, tell as much as one: a design effect of the group's size.
    const groups = Array.from({ length: 100 }, (_, i) => ({ bad: i % 5 === 0 ? 10 : 0, of: 10 }));
    const { bad, of } = effective(groups);
    expect(of).toBeCloseTo(100, -1);
    expect(bad / of).toBeCloseTo(0.2, 9);
  });

  it('never tell more than was counted, and nothing bad is nothing bad', () => {
    expect(
      effective([
        { bad: 0, of: 30 },
        { bad: 0, of: 4 },
      ]),
    ).toEqual({ bad: 0, of: 34 });
    expect(
      effective([
        { bad: 1, of: 2 },
        { bad: 1, of: 2 },
      ]),
    ).toEqual({ bad: 2, of: 4 });
  });
});

describe('by how many times counts vary more than chance', () => {
  const of = (bad: number, spell = 'a', usual = 0.05) => ({ bad, of: 20, usual, spell });

  it('is one for joints that go wrong each by itself', () => {
    let seed = 11;
    const next = (): number => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
    const groups = Array.from({ length: 4000 }, (_, i) =>
      of(Array.from({ length: 20 }, next).filter((u) => u < 0.05).length, `${i % 12}`),
    );
    expect(designOf(groups)).toBeLessThan(1.06);
  });

  it('is one for single results, however few there are', () => {
    const groups = [0, 1, 0, 0, 1].map((bad) => ({ bad, of: 1, usual: 0.1, spell: 'a' }));
    expect(designOf(groups)).toBeCloseTo(1, 12);
  });

  // A group of m that goes wrong whole or not at all counts as one: 1 + (m − 1) ρ with ρ = 1 (Kish, Survey Sampling, 1965).
  it('is the size of a group whose joints all go together', () => {
    const groups = Array.from({ length: 400 }, (_, i) => of(i % 20 === 0 ? 20 : 0));
    expect(designOf(groups)).toBeCloseTo(20, 0);
  });

  it('is not raised by a month in which everything went wrong more often', () => {
    const groups = [
      ...Array.from({ length: 200 }, (_, i) => of(i % 2, 'before')),
      ...Array.from({ length: 50 }, (_, i) => of(4 + (i % 2), 'bad')),
    ];
    expect(designOf(groups)).toBe(1);
    // All in one spell it would be.
    expect(designOf(groups.map((group) => ({ ...group, spell: 'all' })))).toBeGreaterThan(2);
  });

  it('is not raised by jobs that are known to be hard', () => {
    const groups = Array.from({ length: 100 }, (_, i) => of(i % 2 ? 10 : 1, 'a', i % 2 ? 0.5 : 0.05));
    expect(designOf(groups)).toBe(1);
  });
});

describe('beliefs', () => {
  it('are Beta: Jeffreys’ interval of 0 and 1 of 10 as Brown, Cai and DasGupta (2001, table 5) print it, 95 %', () => {
    expect(rateOf({ a: 0.5, b: 10.5 }, 0.95).high).toBeCloseTo(0.217, 3);
    const one = rateOf({ a: 1.5, b: 9.5 }, 0.95);
    expect(one.low).toBeCloseTo(0.011, 3);
    expect(one.high).toBeCloseTo(0.381, 3);
  });

  it('tell the chance that one is smaller as the closed sum for whole numbers does', () => {
    // P(B > A) = Σ B(a1 + i, b1 + b2) / ((b2 + i) B(1 + i, b2) B(a1, b1)), i < a2: summed here in factorials.
    const lnFactorial = (n: number): number => {
      let sum = 0;
      for (let k = 2; k <= n; k++) sum += Math.log(k);
      return sum;
    };
    const lnBeta = (a: number, b: number): number =>
      lnFactorial(a - 1) + lnFactorial(b - 1) - lnFactorial(a + b - 1);
    for (const [a1, b1, a2, b2] of [
      [2, 30, 5, 28],
      [1, 60, 1, 12],
      [8, 9, 9, 8],
      [30, 2, 50, 1],
      [400, 9000, 410, 9000],
    ] as const) {
      let exact = 0;
      for (let i = 0; i < a2; i++)
        exact += Math.exp(lnBeta(a1 + i, b1 + b2) - Math.log(b2 + i) - lnBeta(1 + i, b2) - lnBeta(a1, b1));
      expect(chanceLess({ a: a1, b: b1 }, { a: a2, b: b2 })).toBeCloseTo(exact, 5);
    }
  });
});

describe('pooling', () => {
  it('keeps one bad job from condemning a method: it stands near the usual, its interval wide', () => {
    const { beliefs, usual } = pool([
      { bad: 4, of: 210 },
      { bad: 3, of: 160 },
      { bad: 1, of: 1 },
    ]);
    expect(beliefMean(beliefs[2]!)).toBeLessThan(0.25);
    expect(beliefMean(beliefs[2]!)).toBeGreaterThan(usual);
  });

  it('leaves what was counted often where it was counted', () => {
    const { beliefs } = pool([
      { bad: 2, of: 400 },
      { bad: 60, of: 400 },
    ]);
    expect(beliefMean(beliefs[0]!)).toBeLessThan(0.012);
    expect(beliefMean(beliefs[1]!)).toBeGreaterThan(0.14);
  });

  it('leans hard where groups are alike and little where they are not', () => {
    const alike = pool([2, 3, 2, 3, 2].map((bad) => ({ bad, of: 50 })));
    const unlike = pool([0, 12, 1, 25, 3].map((bad) => ({ bad, of: 50 })));
    expect(alike.strength).toBeGreaterThan(20 * unlike.strength);
  });

  it('finds the rat tumours’ prior: 4 of 14 after 70 groups is believed near 0.22', () => {
    // Tarone (Biometrics 38, 1982), as in Gelman and others, Bayesian Data Analysis, 5.1, from memory: mean 0.14, a + b 10 to 20.
    const tumours: readonly (readonly [bad: number, of: number])[] = [
      ...Array.from({ length: 7 }, () => [0, 20] as const),
      ...Array.from({ length: 5 }, () => [0, 19] as const),
      [0, 18],
      [0, 18],
      [0, 17],
      [1, 20],
      [1, 20],
      [1, 20],
      [1, 20],
      [1, 19],
      [1, 19],
      [1, 18],
      [1, 18],
      [2, 25],
      [2, 24],
      [2, 23],
      [2, 20],
      [2, 20],
      [2, 20],
      [2, 20],
      [2, 20],
      [2, 20],
      [1, 10],
      [5, 49],
      [2, 19],
      [5, 46],
      [3, 27],
      [2, 17],
      [7, 49],
      [7, 47],
      [3, 20],
      [3, 20],
      [2, 13],
      [9, 48],
      [10, 50],
      [4, 20],
      [4, 20],
      [4, 20],
      [4, 20],
      [4, 20],
      [4, 20],
      [4, 20],
      [10, 48],
      [4, 19],
      [4, 19],
      [4, 19],
      [5, 22],
      [11, 46],
      [12, 49],
      [5, 20],
      [5, 20],
      [6, 23],
      [5, 19],
      [6, 22],
      [6, 20],
      [6, 20],
      [6, 20],
      [16, 52],
      [15, 47],
      [15, 46],
      [9, 24],
      [4, 14],
    ];
    const { usual, strength, beliefs } = pool(tumours.map(([bad, of]) => ({ bad, of })));
    expect(usual).toBeGreaterThan(0.13);
    expect(usual).toBeLessThan(0.17);
    expect(strength).toBeGreaterThan(10);
    expect(strength).toBeLessThan(22);
    expect(beliefMean(beliefs.at(-1)!)).toBeCloseTo(0.22, 1);
  });
});
