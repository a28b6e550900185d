import { describe, expect, it } from 'vitest';
import type { Goal } from '~/core/method/goals';
import { holeTouch } from '~/core/method/hand/holeTouch';
import { allowanceFor, forecastTouches } from '~/core/method/limits/forecast';
import type { PlanRequest } from '~/core/method/request';
import { FAMILY_TRAITS, type FamilyId } from '~/core/packages/families';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import { celsius } from '~/core/quantity/convert';
import { CAPACITOR, inPhase, planRequest, scenario, settingAt, trackOn, TWO_LAYER } from '../support/samples';

/** A pin that is held by plastic leans or sinks where that softens, long before the body is warm as a whole. */

const part = (family: FamilyId) => ({
  ...CAPACITOR,
  family,
  pins: 3,
  leadDiameter_m: 1e-3,
  holeDiameter_m: 1.3e-3,
  landDiameter_m: 2.4e-3,
  body: { shape: 'block', length_m: 14e-3, width_m: 6e-3, height_m: 10e-3 } as const,
});
const held = (family: FamilyId, set_C: number, duration_s: number) =>
  simulateJoint(scenario(set_C, trackOn(2), { board: TWO_LAYER, part: part(family) }), { duration_s });

const softens_C = (family: FamilyId): number => celsius(FAMILY_TRAITS[family].softens!.value);
const pin_C = (run: ReturnType<typeof held>): number => celsius(run.plastic_K!.at(-1)!);

describe('a jack under an iron', () => {
  it('slumps at its pin when 440 °C is held, while its body is still cool (common practice)', () => {
    const run = held('jack', 440, 60);
    expect(pin_C(run)).toBeGreaterThan(softens_C('jack'));
    expect(celsius(run.body_K.at(-1)!)).toBeLessThan(celsius(FAMILY_TRAITS.jack.bodyLimit.value));
  });

  it('stands three seconds at 360 °C, as every bench solders it (common practice)', () => {
    expect(pin_C(held('jack', 360, 3))).toBeLessThan(softens_C('jack'));
  });

  it('is warmest where the lead enters: never warmer than the far land, never cooler than the body', () => {
    const run = held('jack', 400, 10);
    run.plastic_K!.forEach((t, i) => {
      expect(t).toBeLessThan(run.farLand_K[i]! + 1e-6);
      expect(t).toBeGreaterThan(run.body_K[i]! - 1e-6);
    });
  });
});

describe('a touch', () => {
  const asked = planRequest({ '1': [trackOn(2)] }, { board: TWO_LAYER });
  const jack: PlanRequest = { ...asked, site: { ...asked.site, part: part('jack') } };
  const stopFor = (goal: Goal) => {
    const request = inPhase({ ...jack, goal }, goal === 'fit' ? 'fit' : 'remove');
    const touch = holeTouch(request, settingAt(360), '1');
    return forecastTouches([{ touch, allowance: allowanceFor(request, ['1']) }])[0]!;
  };

  it('stops before the plastic flows, and not for a part that is given up', () => {
    expect(stopFor('fit').because).toBe('plastic limit');
    expect(stopFor('fit').stop_s).toBeGreaterThan(2);
    expect(stopFor('remove-sacrifice-part').because).not.toBe('plastic limit');
    expect(stopFor('remove-sacrifice-part').stop_s).toBeGreaterThan(stopFor('fit').stop_s);
  });

  it('watches families that are held by plastic, and no epoxy body, which does not melt', () => {
    for (const family of ['jack', 'header', 'dipSocket', 'transformer'] as const) {
      expect(FAMILY_TRAITS[family].softens).not.toBeNull();
      expect(held(family, 360, 1).plastic_K).not.toBeNull();
    }
    expect(FAMILY_TRAITS.dip.softens).toBeNull();
    expect(held('radial', 360, 1).plastic_K).toBeNull();
  });
});
