import { describe, expect, it } from 'vitest';
import { ALLOYS } from '~/core/materials/alloys';
import { celsius, kelvin } from '~/core/quantity/convert';
import { planOf } from '../../../../tests/support/solve';
import { CAPACITOR, surfaceRequest } from '../../../../tests/support/samples';
import { FAMILY_TRAITS } from '~/core/packages/families';
import { formOf, type PartPackage } from '~/core/packages/form';
import { surfacePackage } from '~/core/packages/outlines';
import { cautionsFor } from '../cautions';
import { hazardsOf, type Neighbour } from '../request';
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

  // Rule broken: findings B7 (plan), a coin cell 20 mm off at 110 °C was told as unhurt, and none could be named.
  it('knows a cell, a display and a relay, and lets nobody forget that a cell is there', () => {
    const bodyOf = (family: 'cell' | 'display' | 'relay'): number =>
      neighbourLimit({ ...R3, part: { ...CAPACITOR, family } }).body_K;
    // Cells are rated to 60 °C, liquid crystal is stored at 80 to 85 °C at most: data sheets, common practice.
    expect(celsius(bodyOf('cell'))).toBeCloseTo(60, 6);
    expect(celsius(bodyOf('display'))).toBeLessThanOrEqual(85 + 1e-6);
    expect(celsius(bodyOf('relay'))).toBeLessThanOrEqual(125);
    const request = surfaceRequest({ family: 'soic', pins: 8 });
    const cell: Neighbour = {
      ...R3,
      ref: 'BT1',
      x_m: request.site.x_m + 20e-3,
      y_m: request.site.y_m,
      rotation_rad: 0,
      side: 'top',
      part: { ...CAPACITOR, family: 'cell' },
    };
    expect(request.hazards).not.toContain('lithium');
    expect(hazardsOf(request)).not.toContain('lithium');
    expect(hazardsOf({ ...request, neighbours: [cell] })).toContain('lithium');
    expect(cautionsFor({ ...request, neighbours: [cell] })).toContain('lithium');
  });

  // Rule broken: findings B8 (plan), no way to state a part's own limit.
  it('believes a part’s own sheet before its family, both ways', () => {
    const can = { ...CAPACITOR, family: 'radial' as const };
    expect(neighbourLimit({ ...R3, part: { ...can, ownLimit_K: kelvin(85) } }).body_K).toBe(kelvin(85));
    expect(neighbourLimit({ ...R3, part: { ...can, ownLimit_K: kelvin(150) } }).body_K).toBe(kelvin(150));
    const form = formOf({ ...can, ownLimit_K: kelvin(150) }, 'sac305', 1.6e-3);
    expect([form.body.limit_K, form.body.touchLimit_K]).toEqual([kelvin(150), kelvin(150)]);
    const chip = { ...surfacePackage({ family: 'chip', code: '0603' }), ownLimit_K: kelvin(230) };
    expect(formOf(chip, 'sac305', 1.6e-3).body.touchLimit_K).toBe(kelvin(230));
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
