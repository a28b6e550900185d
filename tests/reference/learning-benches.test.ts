import { describe, expect, it } from 'vitest';
import { PRESSED, type Seen } from '~/core/learning/bench';
import { expectedOf, learnt } from '~/core/learning/expected';
import { SHARED, type PhaseDraws } from '~/core/learning/worlds';
import { drawDwells } from '~/core/method/hand/bands';
import type { HandHeat } from '~/core/method/hand/handTrial';
import { PLAN } from '~/core/method/settings';
import { methodOf } from '~/core/method/ways';
import { normalQuantile } from '~/core/statistics/normal';
import { percentile } from '~/core/statistics/percentile';
import { uniformStream } from '~/core/statistics/random';
import { inOneGo } from '~/core/stepwise';
import { drawOf, UNSURE, type Deviations } from '~/core/thermal/joint/draws';
import { alone } from '~/core/thermal/network/prepared';
import { CAPACITOR, inPhase, planRequest, reliefOn, settingAt, trackOn } from '../support/samples';

/**
 * Benches whose truth is known: each job has a tip, a board and a hand of its own, drawn as the plan draws them, and each
 * touch its own share. Every touch is run through the whole joint model; what is pressed is a hand's time later. Then
 * held against what was expected of the next touch after so many.
 */
const JOBS = 240;
const PINS = ['1', '2', '3', '4', '5', '6'];

const base = planRequest(
  Object.fromEntries(PINS.map((pin, i) => [pin, [i % 3 === 2 ? reliefOn(2) : trackOn(1 + (i % 2) * 3)]])),
);
const request = inPhase({
  ...base,
  site: { ...base.site, part: { ...CAPACITOR, family: 'header', pins: 6, pitch_m: 2.54e-3 } },
});
const heat = methodOf('leg-at-a-time').heat as HandHeat;
const touches = heat.touchesOf(request, settingAt(380));

const phase: PhaseDraws = {
  seed: 1,
  draws: PLAN.draws,
  touches: touches.map((touch) => {
    const dwells = inOneGo(drawDwells(touch, { draws: PLAN.draws, seed: 1 }));
    return {
      touches: [touch.name],
      melts_s: dwells.map((d) => d.melt_s),
      limits_s: dwells.map(() => Infinity),
      longest_s: touch.longest_s,
    };
  }),
};

interface Job {
  readonly melts_s: readonly (number | null)[];
  readonly pressed: readonly Seen[];
}

function job(seed: number): Job {
  const random = uniformStream(seed);
  const normal = (): number => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));
  const common = UNSURE.map(normal);
  const melts_s = touches.map((touch) => {
    const z = Object.fromEntries(
      UNSURE.map((name, d) => [
        name,
        Math.sqrt(SHARED[name]) * common[d]! + Math.sqrt(1 - SHARED[name]) * normal(),
      ]),
    ) as Deviations;
    return alone(
      touch.prepare({
        duration_s: 10,
        factors: drawOf(touch, z).factors,
        stopWhen: (_t, _k, molten) => molten,
      }),
    ).fullMelt_s;
  });
  const pressed = melts_s.map((melt_s, i): Seen => {
    const late_s = Math.max(0.05, PRESSED.late_s + PRESSED.spread_s * normal());
    const gaveUp_s = 6;
    return melt_s === null || melt_s + late_s > gaveUp_s
      ? { touch: touches[i]!.name, melted_s: null, held_s: gaveUp_s }
      : { touch: touches[i]!.name, melted_s: melt_s + late_s, held_s: melt_s + late_s + 1 };
  });
  return { melts_s, pressed };
}

/** Of the touch that follows so many: by what was logged, and by the plan alone. */
function after(count: number, jobs: readonly Job[]) {
  const { name } = touches[count]!;
  const told = jobs.map(({ melts_s, pressed }) => ({
    truth_s: melts_s[count] ?? Infinity,
    learnt: expectedOf(learnt(phase, pressed.slice(0, count)), name, count)!,
  }));
  const plan = expectedOf(learnt(phase, []), name, 0)!;
  const median = (values: number[]): number =>
    percentile(
      values.sort((a, b) => a - b),
      0.5,
    );
  const missed = (truth_s: number, p50_s: number): number => Math.abs(Math.log(truth_s / p50_s));
  return {
    covered:
      told.filter(({ truth_s, learnt: e }) => truth_s >= e.p10_s && truth_s <= e.p90_s).length / jobs.length,
    error: median(told.map(({ truth_s, learnt: e }) => missed(truth_s, e.p50_s))),
    planError: median(told.map(({ truth_s }) => missed(truth_s, plan.p50_s))),
    width: median(told.map(({ learnt: e }) => Math.log(e.p90_s / e.p10_s))),
    planWidth: Math.log(plan.p90_s / plan.p10_s),
  };
}

describe('a run that learns, on benches whose truth is known', () => {
  const jobs = Array.from({ length: JOBS }, (_, i) => job(1000 + i));
  const table = new Map([0, 1, 2, 5].map((count) => [count, after(count, jobs)]));

  it('covers the truth as often as its bands say: eight times in ten, within what 240 jobs can tell', () => {
    // Three standard errors of 0.8 over 240 jobs are 0.077.
    for (const [, { covered }] of table) {
      expect(covered).toBeGreaterThan(0.8 - 0.08);
      expect(covered).toBeLessThan(0.8 + 0.08);
    }
  });

  it('narrows, and misses the next melt by less, with each melt that was logged', () => {
    const share = (count: number, of: 'error' | 'width'): number => {
      const row = table.get(count)!;
      return of === 'error' ? row.error / row.planError : row.width / row.planWidth;
    };
    expect(share(1, 'width')).toBeLessThan(0.97);
    expect(share(2, 'width')).toBeLessThan(0.93);
    expect(share(5, 'width')).toBeLessThan(0.85);
    expect(share(5, 'error')).toBeLessThan(0.9);
  });
});
