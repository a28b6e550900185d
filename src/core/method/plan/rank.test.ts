import { describe, expect, it } from 'vitest';
import { inPhase, planRequest, settingAt, trackOn } from '../../../../tests/support/samples';
import type { Candidate } from '../candidate';
import { methodOf } from '../ways';
import { forbids, notes, type MethodId } from '../ways/method';
import { harmChance, minutesFor, priceOf, rank, tried, uncompared, type Ranked, type Tried } from './rank';
import type { PlanRequest } from '../request';
import { PLAN, RANK } from '../settings';

const request = (changes: Partial<PlanRequest> = {}) =>
  inPhase(planRequest({ '1': [trackOn(4)], '2': [trackOn(4)] }, changes));

const pinOff = (pad: string, off_s: number) =>
  ({
    pad,
    pads: [pad],
    converged: true,
    stop_s: 2 * off_s,
    because: 'longest dwell',
    fullMelt_s: off_s - 1.2,
    off_s,
    padDoseAtOff: 0.01,
    padDoseAllowed: PLAN.dwellShare,
    laminateDoseAtOff: 0,
    bodyPeak_K: 320,
    lastToMelt: 'barrel',
    coldestAtEnd_K: 480,
  }) satisfies Candidate['pins'][number];

const candidate = (damage: number, time_s: number | null, changes: Partial<Candidate> = {}): Candidate => ({
  setting: settingAt(360),
  pins: [pinOff('1', 3), pinOff('2', 3)],
  feasible: time_s !== null,
  time_s,
  damage,
  binding: null,
  ...changes,
});

const late = candidate(0.3, null, {
  binding: {
    pad: '2',
    limit: 'pad budget',
    short_s: 2.4,
    shortOfLiquidus_K: null,
    lastToMelt: 'barrel',
  },
});

const way = (id: MethodId, candidates: readonly Candidate[], ...rules: Tried['rules']): Tried =>
  tried(methodOf(id), rules, candidates);

const said = (one: Ranked | undefined): string => one!.reasons.join(' ');

describe('the rank of methods', () => {
  const ranked = rank(request(), [
    way('pump-or-wick', [late]),
    way('hot-air', [candidate(0, 60)], forbids('It would heat the cell.')),
    way('gun', [candidate(0.31, 4)]),
    way('leg-at-a-time', [candidate(0.02, 3)], notes('Its leads are long.')),
  ]);

  it('puts what can be done first, by price, then what cannot, then what may not', () => {
    expect(ranked.map((r) => r.method.id)).toEqual(['leg-at-a-time', 'gun', 'pump-or-wick', 'hot-air']);
    expect(ranked.map((r) => r.feasible)).toEqual([true, true, false, false]);
  });

  it('says of each why, with its numbers', () => {
    expect(said(ranked[0])).toContain('Its leads are long.');
    expect(said(ranked[0])).toContain('Spends 2 % of the worst pad’s budget in 3.0 s at most per touch');
    expect(said(ranked[1])).toContain('Behind “');
    expect(said(ranked[1])).toContain('it spends 29 % more');
    expect(said(ranked[2])).toContain('No setting of its tools keeps every limit. At best pin 2');
    expect(ranked[3]!.reasons).toEqual(['It would heat the cell.']);
  });

  it('says what the bench lacks', () => {
    expect(said(rank(request(), [way('gun', [])])[0])).toBe('No tool for it is on the bench.');
  });

  it('does not hold damages against each other that the estimate cannot tell apart', () => {
    const [a, b] = [0.0301, 0.0399].map(
      (damage) => priceOf(request(), methodOf('gun'), candidate(damage, 3)).total,
    );
    expect(a).toBe(b);
  });

  it('beside a setting that was asked about tells rules only', () => {
    const list = uncompared([
      { method: methodOf('gun'), rules: [] },
      { method: methodOf('hot-air'), rules: [forbids('It would heat the cell.')] },
    ]);
    expect(list.map((r) => r.feasible)).toEqual([true, false]);
    expect(list[0]!.reasons).toEqual(['Nothing forbids it here.']);
  });
});

// Gelman et al., Bayesian Data Analysis, §2.4: a Beta prior of n jobs and k in N own ones has the mean (k + np)/(N + n).
describe('the chance of harm', () => {
  const gun = methodOf('gun');
  const by = (jobs: number, harmed: number): number =>
    harmChance(request({ record: [{ method: 'gun', jobs, harmed }] }), gun);

  it('is what is usual until there is a record', () => {
    expect(harmChance(request(), gun)).toBeCloseTo(gun.harm, 12);
    expect(by(0, 0)).toBeCloseTo(gun.harm, 12);
  });

  it('is the mean of the posterior', () => {
    expect(by(10, 2)).toBeCloseTo((2 + RANK.priorJobs * gun.harm) / (10 + RANK.priorJobs), 12);
  });

  it('leans on how it went for everyone else here before it leans on what is usual elsewhere', () => {
    const others = { jobs: 60, harmed: 12 };
    const shop = (12 + RANK.priorJobs * gun.harm) / (60 + RANK.priorJobs);
    const of = (jobs: number, harmed: number): number =>
      harmChance(request({ record: [{ method: 'gun', jobs, harmed, others }] }), gun);
    expect(of(0, 0)).toBeCloseTo(shop, 12);
    expect(of(10, 0)).toBeCloseTo((RANK.priorJobs * shop) / (10 + RANK.priorJobs), 12);
    expect(of(10_000, 100)).toBeCloseTo(0.01, 3);
  });

  it('goes to one’s own share as jobs add up, and one bad day does not decide', () => {
    expect(by(10_000, 1000)).toBeCloseTo(0.1, 3);
    expect(by(1, 1)).toBeLessThan(0.2);
  });

  it('is told with its figures', () => {
    const record = [{ method: 'gun', jobs: 12, harmed: 3 }];
    expect(said(rank(request({ record }), [way('gun', [candidate(0.02, 3)])])[0])).toContain(
      'Your own record with it on such parts: 3 of 12 hurt a pad.',
    );
  });
});

describe('the minutes', () => {
  const { once, perPad } = methodOf('gun').hands_s;

  it('add hands, every touch and the soak', () => {
    const soaked = candidate(0.02, 3, {
      setting: settingAt(360, undefined, { kind: 'convective', setpoint_K: 423, soak_s: 120 }),
    });
    expect(minutesFor(methodOf('gun'), soaked, 2, 1)).toBeCloseTo((once + 2 * perPad + 6 + 120) / 60, 9);
    // Slower hands: heat and soak take no longer.
    expect(minutesFor(methodOf('gun'), soaked, 2, 1.5)).toBeCloseTo(
      (1.5 * (once + 2 * perPad) + 6 + 120) / 60,
      9,
    );
  });
});

describe('the weight of the part', () => {
  const price = (changes: Partial<PlanRequest>): number =>
    priceOf(request(changes), methodOf('gun'), candidate(0.02, 3)).part;

  it('grows with its worth, and most where it has to live', () => {
    const kept = (['cheap', 'ordinary', 'scarce'] as const).map((worth) => price({ worth }));
    const given = (['cheap', 'ordinary', 'scarce'] as const).map((worth) =>
      price({ worth, goal: 'remove-sacrifice-part' }),
    );
    for (let i = 0; i < 3; i++) {
      if (i > 0) expect(kept[i]!).toBeGreaterThan(kept[i - 1]!);
      expect(kept[i]!).toBeGreaterThan(given[i]!);
    }
    expect(given[0]).toBe(0);
  });

  it('is told where the part has to live', () => {
    const [kept] = rank(request(), [way('gun', [candidate(0.02, 3)])]);
    expect(said(kept)).toMatch(/The part lives through it in about \d+ of 100\./);
    const [given] = rank(request({ goal: 'remove-sacrifice-part' }), [way('gun', [candidate(0.02, 3)])]);
    expect(said(given)).not.toContain('lives through it');
  });
});
