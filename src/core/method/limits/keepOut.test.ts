import { describe, expect, it } from 'vitest';
import { CELL } from '~/core/materials/cells';
import { kelvin } from '~/core/quantity/convert';
import {
  inPhase,
  planeOn,
  planRequest,
  settingAt,
  surfaceRequest,
  trackOn,
  TWO_LAYER,
} from '../../../../tests/support/samples';
import { planOf } from '../../../../tests/support/solve';
import { EACH_HOLE } from '../ways/hole';
import type { PhasePlan } from '../plan/phases/phasePlan';
import type { PlanRequest } from '../request';
import { keepOutByHand, type KeepOut } from './keepOut';

const onTrack = planRequest({ '1': [trackOn(2)], '2': [trackOn(2)] }, { board: TWO_LAYER });
const onPlane = planRequest({ '1': [planeOn(2, 3)], '2': [planeOn(2, 3)] });

const byHand = (request: PlanRequest, held_s: number, set_C = 380): KeepOut => {
  const setting = settingAt(set_C);
  return keepOutByHand(
    inPhase(request),
    setting,
    EACH_HOLE.touchesOf(inPhase(request), setting),
    () => held_s,
  );
};

function first(request: PlanRequest): PhasePlan {
  const plan = planOf(request);
  if (plan.outcome !== 'found') throw new Error(plan.outcome);
  return plan.phases[0];
}

describe('how far a lithium cell has to stay from a hot joint', () => {
  it('is a matter of millimetres for an iron on a track', () => {
    const { within_m } = byHand(onTrack, 4);
    expect(within_m!).toBeGreaterThan(1e-3);
    expect(within_m!).toBeLessThan(20e-3);
  });

  it('grows with the dwell and with the set temperature', () => {
    expect(byHand(onTrack, 10).within_m!).toBeGreaterThan(byHand(onTrack, 2).within_m!);
    expect(byHand(onTrack, 4, 450).within_m!).toBeGreaterThan(byHand(onTrack, 4, 300).within_m!);
  });

  it('reaches farther through a plane than along a track, held as long', () => {
    expect(byHand(onPlane, 10).within_m!).toBeGreaterThan(byHand(onTrack, 10).within_m!);
  });

  it('counts from the outermost joint: a long part keeps a cell as far from its ends as a short one', () => {
    const part = {
      ...onTrack.site.part,
      family: 'dip' as const,
      pins: 40,
      pitch_m: 2.54e-3,
      rowSpacing_m: 15.24e-3,
    } as typeof onTrack.site.part;
    const tracks = Object.fromEntries(Array.from({ length: 40 }, (_, i) => [String(i + 1), [trackOn(2)]]));
    const long = { ...onTrack, site: { ...onTrack.site, part, connections: tracks } };
    // The last pin of a row stands 24.1 mm along and 7.6 mm beside the middle.
    expect(byHand(long, 4).within_m!).toBeGreaterThan(Math.hypot(24.13e-3, 7.62e-3) + 1e-3);
  });

  it('is the whole board over a preheater: a cell is rated to 60 °C (data sheets, from memory)', () => {
    expect(CELL.lithiumLimit.value).toBe(kelvin(60));
    const preheat = { kind: 'convective', setpoint_K: kelvin(150), soak_s: 120 } as const;
    const keepOut = keepOutByHand(inPhase(onTrack), { ...settingAt(380), preheat }, [], () => 4);
    expect(keepOut.within_m).toBeNull();
  });
});

describe('a plan on a board with a cell', () => {
  it('says the distance in the gate that asks for the cell', () => {
    const plan = planOf({ ...onTrack, hazards: ['lithium'] });
    if (plan.outcome !== 'found') throw new Error(plan.outcome);
    const { keepOut } = plan.phases[0];
    const gate = plan.steps.find((s) => s.id === 'gate-lithium')!;
    expect(gate.kind).toBe('gate');
    expect(gate.detail).toContain(`within ${Math.ceil(keepOut!.within_m! * 1e3)} mm of C1 passes 60 °C`);
  });

  it('asks for none where there is none', () => {
    expect(first(onTrack).keepOut).toBeNull();
  });

  it('reaches much farther under hot air than under an iron (common practice: the cell comes out first)', () => {
    const air = first({
      ...surfaceRequest({ family: 'qfn' }, { irons: [], tweezers: [] }),
      hazards: ['lithium'],
    });
    const reach_m = air.keepOut!.within_m ?? Infinity;
    expect(reach_m).toBeGreaterThan(2 * byHand(onTrack, 4).within_m!);
  });
});
