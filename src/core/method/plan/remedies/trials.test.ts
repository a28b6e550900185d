import { describe, expect, it } from 'vitest';
import {
  GUN,
  inPhase,
  IRON,
  planeOn,
  planRequest,
  surfaceRequest,
  trackOn,
} from '../../../../../tests/support/samples';
import type { Binding } from '../../candidate';
import { methodOf } from '../../ways';
import type { MethodId } from '../../ways/method';
import type { PlanRequest } from '../../request';
import type { Stuck } from './stuck';
import { combinedTrials, singleTrials } from './trials';

const BUDGET: Binding = {
  pad: '2',
  limit: 'pad budget',
  short_s: 1,
  shortOfLiquidus_K: null,
  lastToMelt: 'far fillet',
};

const stuck = (method: MethodId, binding = BUDGET): Stuck => ({
  method: methodOf(method),
  binding,
  nearest: null,
});

const plain = planRequest({ '1': [trackOn(4)], '2': [planeOn(2)] });
const kinds = (request: PlanRequest, of: Stuck): string[] =>
  singleTrials(inPhase(request), of).map((t) => t.kind);

describe('what is worth solving again', () => {
  // Rule broken: findings M1 (plan), a bench's own preheater stood among the remedies of a plan that said no.
  it('a preheater that is there is no remedy, it was searched; one that is not is borrowed, from its usual setting up', () => {
    const preheats = (request: PlanRequest) =>
      singleTrials(inPhase(request), stuck('leg-at-a-time')).filter((t) => t.kind === 'preheat');
    expect(preheats(plain)).toEqual([]);
    const borrowed = preheats({ ...plain, preheaters: [] });
    expect(borrowed.every((t) => !t.onBench)).toBe(true);
    expect(borrowed.map((t) => Math.round(t.preheat!.setpoint_K))).toEqual([423, 453, 473]);
  });

  it('a wider tip only for an iron, and only where none as wide is there', () => {
    expect(kinds(plain, stuck('leg-at-a-time'))).toContain('wider-tip');
    expect(kinds({ ...plain, guns: [GUN] }, stuck('gun'))).not.toContain('wider-tip');
    const wide = { shape: 'bevel', width_m: 5e-3, construction: 'cartridge' } as const;
    const equipped = { ...plain, irons: [{ ...IRON, tips: [...IRON.tips, wide] }] };
    expect(kinds(equipped, stuck('leg-at-a-time'))).not.toContain('wider-tip');
  });

  it('giving the part up only where it was to live', () => {
    expect(kinds(plain, stuck('leg-at-a-time'))).toContain('give-up-the-part');
    const given = { ...plain, goal: 'remove-sacrifice-part' as const };
    expect(kinds(given, stuck('leg-at-a-time'))).not.toContain('give-up-the-part');
  });

  it('foil where a neighbour binds under air, and hot air where lands are stuck and no station is there', () => {
    const lands = surfaceRequest({ family: 'soic', pins: 8 });
    const neighbour: Binding = { ...BUDGET, limit: 'neighbour' };
    expect(kinds(lands, stuck('hot-air', neighbour))).toContain('shield');
    expect(kinds(lands, stuck('flood-and-sweep'))).not.toContain('hot-air');
    expect(kinds({ ...lands, stations: [] }, stuck('flood-and-sweep'))).toContain('hot-air');
  });

  it('low-melt alloy only where there is none in stock: in stock it was compared', () => {
    const lands = surfaceRequest({ family: 'soic', pins: 8 });
    expect(kinds(lands, stuck('flood-and-sweep'))).toContain('low-melt');
    const stocked = {
      ...lands,
      supplies: [
        { kind: 'low-melt', id: 'lm', name: 'Low-melt', alloy: 'in51bi33sn16', left_kg: null } as const,
      ],
    };
    expect(kinds(stocked, stuck('flood-and-sweep'))).not.toContain('low-melt');
  });

  it('two changes at once are the hottest soak with a wider tip, or with the pins cut', () => {
    const both = combinedTrials(inPhase(plain), stuck('leg-at-a-time'));
    expect(both.map((t) => t.kind).sort()).toEqual(['give-up-the-part', 'wider-tip-and-preheat']);
    expect(both.every((t) => t.preheat!.setpoint_K === 473.15)).toBe(true);
  });

  it('nothing is tried about heat where no method may be used at all', () => {
    const none = stuck('leg-at-a-time', { ...BUDGET, limit: 'method' });
    expect(combinedTrials(inPhase(plain), none)).toEqual([]);
    expect(kinds(plain, none).filter((k) => k !== 'give-up-the-part' && k !== 'low-melt')).toEqual([]);
  });
});
