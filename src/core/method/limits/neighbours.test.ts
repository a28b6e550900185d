import { describe, expect, it } from 'vitest';
import { ALLOYS } from '~/core/materials/alloys';
import { kelvin } from '~/core/quantity/convert';
import { planOf } from '../../../../tests/support/solve';
import { CAPACITOR, surfaceRequest } from '../../../../tests/support/samples';
import { FAMILY_TRAITS } from '~/core/packages/families';
import type { PartPackage } from '~/core/packages/form';
import { surfacePackage } from '~/core/packages/outlines';
import { PLAN } from '../settings';
import { hottestOf, judgeNeighbour, neighbourLimit } from './neighbours';

const R3 = { ref: 'R3', alloy: 'sn60pb40' as const };

describe('the verdict on a neighbour', () => {
  const limit = neighbourLimit(R3);

  it('keeps its joints a margin under their own solidus: 183 °C for tin–lead (J-STD-006, from memory)', () => {
    expect(limit.joint_K).toBe(ALLOYS.sn60pb40.solidus.value - PLAN.neighbourMargin_K);
    expect(neighbourLimit({ ...R3, alloy: 'sac305' }).joint_K - limit.joint_K).toBeCloseTo(34, 0);
  });

  it('keeps its body under 200 °C', () => {
    expect(judgeNeighbour(limit, kelvin(150), kelvin(199)).ok).toBe(true);
    expect(judgeNeighbour(limit, kelvin(150), kelvin(201)).ok).toBe(false);
  });

  // Rule broken: findings B7 (plan), an electrolytic can at 154 °C beside the air was told as unhurt.
  it('holds each body to what its own family stands: a can, a header and a chip are three things', () => {
    const can = {
      ...CAPACITOR,
      family: 'radial' as const,
    };
    const header = { ...can, family: 'header' as const };
    const bodyOf = (part: PartPackage): number => neighbourLimit({ ...R3, part }).body_K;
    expect(bodyOf(can)).toBe(FAMILY_TRAITS.radial.bodyLimit.value);
    expect(bodyOf(header)).toBe(FAMILY_TRAITS.header.bodyLimit.value);
    expect(bodyOf(surfacePackage({ family: 'chip', code: '0603' }))).toBe(PLAN.neighbourBody_K);
    expect(judgeNeighbour(neighbourLimit({ ...R3, part: can }), kelvin(120), kelvin(154)).ok).toBe(false);
  });

  it('is broken by the joint or by the body, each alone', () => {
    expect(judgeNeighbour(limit, limit.joint_K, limit.body_K).ok).toBe(true);
    expect(judgeNeighbour(limit, limit.joint_K + 0.1, kelvin(100)).ok).toBe(false);
    expect(judgeNeighbour(limit, kelvin(100), limit.body_K + 0.1).ok).toBe(false);
  });

  it('lets what comes off in the same heat get as hot as it must', () => {
    expect(judgeNeighbour(neighbourLimit({ ...R3, comesToo: true }), kelvin(250), kelvin(260)).ok).toBe(true);
  });

  it('names the one that is worst off: furthest over what its joints or its body stand', () => {
    const heats = [
      judgeNeighbour(limit, kelvin(170), kelvin(120)),
      judgeNeighbour({ ...limit, ref: 'U2' }, kelvin(140), kelvin(215)),
      judgeNeighbour({ ...limit, ref: 'C1' }, kelvin(190), kelvin(130)),
    ];
    // Joints that melt are further over than a body by 15 K.
    expect(hottestOf(heats).ref).toBe('C1');
    expect(hottestOf(heats.slice(0, 2)).ref).toBe('U2');
  });
});

// Rule broken: findings M3, the verdict was written three times.
describe('one verdict wherever it is asked', () => {
  it('is that of the plan: who is too hot by its figures is at risk in it, and nobody else', () => {
    const request = surfaceRequest({ family: 'soic', pins: 8 }, { stations: [], preheaters: [] });
    const chip = (ref: string, away_m: number) => ({
      ref,
      x_m: request.site.x_m + away_m,
      y_m: request.site.y_m,
      rotation_rad: 0,
      side: 'top' as const,
      alloy: 'sn60pb40' as const,
      part: surfacePackage({ family: 'chip', code: '0603' }),
    });
    const plan = planOf({ ...request, neighbours: [chip('N', 4e-3), chip('F', 30e-3)] });
    if (plan.outcome !== 'found') throw new Error(plan.outcome);
    const { neighbours } = plan.phases[0];
    expect(neighbours.map((n) => n.ref)).toEqual(['N', 'F']);
    for (const { ref, joint_K, body_K, ok } of neighbours)
      expect(ok, ref).toBe(judgeNeighbour(neighbourLimit({ ...R3, ref }), joint_K, body_K).ok);
    expect(neighbours[0]!.joint_K).toBeGreaterThan(neighbours[1]!.joint_K);
  });
});
