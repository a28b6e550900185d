import { inOneGo } from '~/core/stepwise';
import { describe, expect, it } from 'vitest';
import {
  GUN,
  inPhase,
  IRON,
  planeOn,
  planRequest,
  reliefOn,
  trackOn,
} from '../../../../tests/support/samples';
import { handSettingOf, type Candidate } from '../candidate';
import { methodOf } from '../ways';
import { serially } from '../plan/pieces/solve';
import type { PhaseRequest } from '../request';
import { frontier, isTurned, preference } from '../limits/frontier';
import { PLAN } from '../settings';
import { climb, searchByHand, searchWarmToo, settingsOnBench } from './handSearch';
import { tryOut, type HandHeat } from './handTrial';

const heatOf = (id: 'leg-at-a-time' | 'gun'): HandHeat => {
  const { heat } = methodOf(id);
  if (heat.kind !== 'hand') throw new Error(`${id} is done by air`);
  return heat;
};

const BENCH = {
  irons: [
    {
      ...IRON,
      tips: [
        ...IRON.tips,
        { shape: 'chisel', width_m: 1.6e-3, construction: 'cartridge' },
        { shape: 'chisel', width_m: 3.2e-3, construction: 'slip-on' },
      ],
    },
  ],
  guns: [GUN],
} satisfies Partial<PhaseRequest>;

const JOINTS = {
  'tracks only': { '1': [trackOn(4)], '2': [trackOn(4)] },
  'a relieved plane': { '1': [trackOn(4)], '2': [reliefOn(2, 3)] },
  'a plane': { '1': [trackOn(4)], '2': [planeOn(2)] },
  'two planes': { '1': [trackOn(1)], '2': [planeOn(2, 3)] },
};
const requests = Object.entries(JOINTS).map(
  ([name, joints]) => [name, inPhase(planRequest(joints, BENCH))] as const,
);

/** Every setting of the bench tried one by one: what the search saves itself. */
const exhaustive = (request: PhaseRequest, heat: HandHeat): Candidate[] =>
  settingsOnBench(request, heat, null).map((setting) => tryOut(request, heat, setting));

const setpoint_K = (c: Candidate): number => handSettingOf(c).setpoint_K;

describe.each(['leg-at-a-time', 'gun'] as const)('the search of %s', (id) => {
  const heat = heatOf(id);

  it('is asked of joints that something on the bench can do: the checks below are not empty', () => {
    const able = requests.filter(([, request]) => exhaustive(request, heat).some((c) => c.feasible));
    expect(able).toHaveLength({ 'leg-at-a-time': 3, gun: 3 }[id]);
  });

  it.each(requests)('finds a setting wherever there is one, and as good a one: %s', (_, request) => {
    const all = exhaustive(request, heat);
    const found = inOneGo(serially(searchByHand(request, heat, null)));
    const [best, mine] = [preference(all)[0], preference(found.filter((c) => !isTurned(c)))[0]];
    expect(mine === undefined).toBe(best === undefined);
    if (!best || !mine) return;
    expect(mine.damage).toBeLessThan(best.damage + 2 * PLAN.damageResolution);
  });

  it.each(requests)(
    'spans the frontier of all settings, its quick end and its gentle one: %s',
    (_, request) => {
      const all = frontier(exhaustive(request, heat));
      const found = frontier(inOneGo(serially(searchByHand(request, heat, null))));
      expect(found.length > 0).toBe(all.length > 0);
      if (all.length === 0) return;
      expect(found.at(-1)!.time_s!).toBeLessThanOrEqual(all.at(-1)!.time_s! * 1.1);
      expect(found[0]!.damage).toBeLessThanOrEqual(all[0]!.damage + 2 * PLAN.damageResolution);
    },
  );
});

describe('one tip taken down from its hottest setting', () => {
  const heat = heatOf('leg-at-a-time');
  const request = inPhase(planRequest(JOINTS['two planes'], BENCH));
  const settings = settingsOnBench(request, heat, null)
    .filter(({ tip }) => tip === BENCH.irons[0]!.tips[0])
    .reverse();
  const rungs = inOneGo(climb(request, heat, settings));

  it('goes from hot to cold and ends where nothing melts any more', () => {
    expect(rungs.map(setpoint_K)).toEqual([...rungs.map(setpoint_K)].sort((a, b) => b - a));
    expect(rungs.at(-1)!.pins.every((pin) => pin.off_s === null)).toBe(true);
    expect(rungs.slice(0, -1).every((c) => c.pins.some((pin) => pin.off_s !== null))).toBe(true);
  });

  it('gives every joint that melts what a run of its own gives it', () => {
    for (const rung of rungs) {
      const alone = tryOut(request, heat, handSettingOf(rung));
      rung.pins.forEach((pin, i) => {
        if (pin.off_s !== null) expect(pin).toEqual(alone.pins[i]);
        else expect(alone.pins[i]!.off_s).toBeNull();
      });
      expect(rung.feasible).toBe(alone.feasible);
    }
  });

  it('keeps for a joint that is lost the forecast of the hottest setting that lost it', () => {
    const lost = rungs.filter((c) => c.pins[1]!.off_s === null);
    expect(lost.length).toBeGreaterThan(1);
    expect(new Set(lost.map((c) => c.pins[1]!.coldestAtEnd_K)).size).toBe(1);
  });
});

describe('over a preheater', () => {
  it('the tips that are best cold are those that are best warm: none that is left out would do better', () => {
    const heat = heatOf('leg-at-a-time');
    for (const [, request] of requests) {
      const found = inOneGo(serially(searchWarmToo(request, heat)));
      const warm = (c: Candidate): boolean => c.setting.preheat !== null && !isTurned(c);
      const some = preference(found.filter(warm))[0];
      if (!some) continue;
      const every = inOneGo(serially(searchByHand(request, heat, some.setting.preheat)));
      const best = preference(every.filter(warm))[0]!;
      expect(some.damage).toBeLessThan(best.damage + 2 * PLAN.damageResolution);
    }
  });

  it('is not tried where cold costs next to nothing', () => {
    const found = inOneGo(serially(searchWarmToo(requests[0]![1], heatOf('leg-at-a-time'))));
    expect(found.every((c) => c.setting.preheat === null)).toBe(true);
  });
});
