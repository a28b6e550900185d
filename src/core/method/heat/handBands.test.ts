import { describe, expect, it } from 'vitest';
import { inPhase, planeOn, planRequest, settingAt, trackOn } from '../../../../tests/support/samples';
import { methodOf } from '../methods';
import { serially } from '../pieces/solve';
import type { Progress } from '../progress';
import { PLAN } from '../settings';
import { isSure, type PinBand } from './bands';
import { bandsByHand } from './handBands';
import type { HandHeat } from './handTrial';

const heat = methodOf('leg-at-a-time').heat as HandHeat;
const request = inPhase(planRequest({ '1': [trackOn(4)], '2': [planeOn(2)] }));

function bands(setpoint_C: number, onlySure: boolean): { bands: PinBand[] | null; seen: Progress[] } {
  const steps = serially(bandsByHand(request, heat, settingAt(setpoint_C), onlySure));
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
  const { bands: found, seen } = bands(360, false);

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
    expect(bands(360, false).bands).toEqual(found);
  });

  it('are given up early where only sure ones will do and one is hopeless', () => {
    const { bands: none, seen: little } = bands(340, true);
    expect(none).toBeNull();
    expect(little.length).toBeLessThan(4);
    const all = bands(340, false).bands!;
    expect(all[1]!.chanceSolidAtStop).toBeGreaterThan(PLAN.acceptableMiss);
  });
});
