import { describe, expect, it } from 'vitest';
import { CAPACITOR, inPhase, planRequest, trackOn } from '../../../../tests/support/samples';
import { kelvin } from '~/core/quantity/convert';
import { boardTemperature_K, type Preheat } from '~/core/thermal/preheat';
import { usualPreheat, type Preheater } from '../bench';
import type { PhaseRequest } from '../request';
import { asWarmAsItStands, quicklyWarm } from './warmths';

const request = inPhase(planRequest({ '1': [trackOn(4)] }, { goal: 'remove-sacrifice-part' }));
const heater = (kind: Preheater['kind'], most_C: number): Preheater => ({
  id: 'pre',
  name: 'Preheater',
  kind,
  setpointRange_K: [kelvin(60), kelvin(most_C)],
});
const board_K = (preheat: Preheat): number => boardTemperature_K(request.board, preheat, request.ambient_K);

// Rule broken: findings M1 and M2 (plan), one warmth was known for irons, 150 °C for two minutes, whatever the source.
describe('a board warmed further than usual', () => {
  it.each([
    ['convective', 200],
    ['plate', 200],
    ['infrared', 350],
  ] as const)(
    '%s: well over the usual warmth, and not over what laminate and parts stand',
    (kind, most_C) => {
      const of = heater(kind, most_C);
      const warm_K = board_K(asWarmAsItStands(request, of)!);
      expect(warm_K).toBeGreaterThan(board_K(usualPreheat(of)) + 10);
      expect(warm_K).toBeGreaterThan(kelvin(135));
      expect(warm_K).toBeLessThan(kelvin(160));
    },
  );

  it('a part that is to live is warmed no further than it stands itself: a can rated to 105 °C stands about 125', () => {
    const kept = { ...request, goal: 'remove-keep-part' as const };
    for (const most_C of [200, 350]) {
      const preheat = asWarmAsItStands(kept, heater('infrared', most_C));
      if (preheat) expect(board_K(preheat)).toBeLessThan(kelvin(115));
    }
    const cell = { ...kept, site: { ...kept.site, part: { ...kept.site.part, ownLimit_K: kelvin(60) } } };
    expect(asWarmAsItStands(cell, heater('convective', 200))).toBeNull();
  });

  it('hotter for a shorter soak brings no less, and never more than board and part stand', () => {
    const quick = quicklyWarm(request, heater('convective', 200))!;
    expect(quick.soak_s).toBeLessThan(usualPreheat(heater('convective', 200)).soak_s);
    expect(board_K(quick)).toBeGreaterThanOrEqual(board_K(usualPreheat(heater('convective', 200))));
    expect(board_K(quick)).toBeLessThan(kelvin(160));
    const glass: PhaseRequest = {
      ...request,
      goal: 'reflow',
      phase: 'reflow',
      site: { ...request.site, part: { ...CAPACITOR, family: 'display' } },
    };
    const mild = quicklyWarm(glass, heater('convective', 200));
    if (mild) expect(board_K(mild)).toBeLessThan(kelvin(85));
  });

  it('no preheater is asked for more than it gives; one that gives no more than usual has no such setting', () => {
    expect(asWarmAsItStands(request, heater('convective', 165))!.setpoint_K).toBeLessThanOrEqual(
      kelvin(165) + 1e-9,
    );
    expect(asWarmAsItStands(request, heater('infrared', 150))).toBeNull();
  });
});
