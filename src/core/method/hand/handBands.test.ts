import { describe, expect, it } from 'vitest';
import { inPhase, planeOn, planRequest, settingAt, trackOn } from '../../../../tests/support/samples';
import { methodOf } from '../ways';
import { serially } from '../plan/pieces/solve';
import type { Progress } from '../progress';
import { PLAN } from '../settings';
import { isSure, type PinBand } from './bands';
import { bandsByHand, Screen } from './handBands';
import type { HandHeat } from './handTrial';

const heat = methodOf('leg-at-a-time').heat as HandHeat;
const request = inPhase(planRequest({ '1': [trackOn(4)], '2': [planeOn(2)] }));

function bands(setpoint_C: number, screen: Screen | null): { bands: PinBand[] | null; seen: Progress[] } {
  const steps = serially(bandsByHand(request, heat, settingAt(setpoint_C), screen));
  const seen: Progress[] = [];
  let next = steps.next();
  while (!next.done) {
    seen.push(next.value);
    next = steps.next();
  }
  return { bands: next.value, seen };
}

const drawsShown = (seen: readonly Progress[], pad: string): number[] =>
  seen.flatMap((p) => (p.stage === 'band' && p.band.pad === pad ? [p.band.draws] : []));

describe('the bands of a setting', () => {
  const { bands: found, seen } = bands(360, null);

  it('are drawn in full where a limit is near, and no further than they need be where none is', () => {
    const [easy, hard] = found!;
    expect(easy!.draws).toBe(PLAN.leastDraws);
    expect(isSure(easy!)).toBe(true);
    expect(hard!.draws).toBe(PLAN.draws);
  });

  it('are shown as they come, each from all of its draws so far, the hardest touch first', () => {
    const hard = drawsShown(seen, '2');
    expect(hard).toEqual([...hard].sort((a, b) => a - b));
    expect(hard[0]).toBe(PLAN.batch);
    expect(hard.at(-1)).toBe(PLAN.draws);
    expect(drawsShown(seen, '1').at(-1)).toBe(PLAN.leastDraws);
    expect(seen.findIndex((p) => p.stage === 'band' && p.band.pad === '2')).toBe(0);
  });

  it('are the same for the same seed', () => {
    expect(bands(360, null).bands).toEqual(found);
  });

  it('are given up early where only sure ones will do and one is hopeless', () => {
    const { bands: none, seen: little } = bands(340, new Screen());
    expect(none).toBeNull();
    expect(little.length).toBeLessThan(4);
    const all = bands(340, null).bands!;
    expect(all[1]!.chanceSolidAtStop).toBeGreaterThan(PLAN.acceptableMiss);
  });

  it('are given up at the first draws where another that missed no oftener on them has failed', () => {
    const screen = new Screen();
    const all = bands(360, null).bands!;
    const early = drawsShown(bands(360, null).seen, '2').length;
    expect(all[1]!.chanceSolidAtStop).toBeGreaterThan(0);
    screen.note(0);
    const { bands: none, seen: little } = bands(360, screen);
    expect(none).toBeNull();
    expect(drawsShown(little, '2').length).toBeLessThan(early);
  });
});

describe('the screen of settings that failed', () => {
  it('lets through what misses less often than all of them did', () => {
    const screen = new Screen();
    expect(screen.stops(1)).toBe(false);
    screen.note(0.3);
    screen.note(0.4);
    expect(screen.stops(0.3)).toBe(true);
    expect(screen.stops(0.28)).toBe(false);
  });
});
