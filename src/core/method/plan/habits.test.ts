import { describe, expect, it } from 'vitest';
import { planOf } from '../../../../tests/support/solve';
import {
  GUN,
  IRON,
  planeOn,
  planRequest,
  reliefOn,
  settingAt,
  surfaceRequest,
  trackOn,
  TWO_LAYER,
} from '../../../../tests/support/samples';
import { ALLOYS } from '~/core/materials/alloys';
import { celsius } from '~/core/quantity/convert';
import { handSettingOf } from '../candidate';
import { frontierAbout } from '../limits/frontier';
import { against, tipForOne } from '../limits/habits';
import type { HandSetting, PlanRequest } from '../request';
import { PLAN } from '../settings';
import type { PhasePlan } from './phases/phasePlan';

/** What a practised hand sets and takes (common practice): each test is named after the habit it holds a plan to. */

const known = new Map<PlanRequest, readonly PhasePlan[]>();

/** Phases of a plan that was found; each request is planned once. */
function phasesOf(request: PlanRequest): readonly PhasePlan[] {
  const before = known.get(request);
  if (before) return before;
  const plan = planOf(request);
  if (plan.outcome !== 'found') throw new Error(plan.outcome);
  known.set(request, plan.phases);
  return plan.phases;
}
const settingOf = ({ chosen }: PhasePlan): HandSetting => handSettingOf(chosen);

const relieved = { '1': [trackOn(2)], '2': [reliefOn(2)] };
const leaded = {
  board: TWO_LAYER,
  stations: [],
  tweezers: [],
  irons: [
    { ...IRON, tips: [...IRON.tips, { shape: 'bevel', width_m: 3e-3, construction: 'cartridge' } as const] },
  ],
};
const can = planRequest(relieved, leaded);
const LOW_MELT = [
  { kind: 'low-melt', id: 'low', name: 'Low-melt', alloy: 'in51bi33sn16', left_kg: 0.02 },
] as const;

const fits = {
  'a can on a relief': planRequest(relieved, { ...leaded, goal: 'fit' }),
  'an 0402': surfaceRequest({ family: 'chip', code: '0402' }, { ...leaded, goal: 'fit' }),
  'a small outline': surfaceRequest({ family: 'soic', pins: 8 }, { ...leaded, goal: 'fit' }),
  'a J-lead pack': surfaceRequest({ family: 'soj', pins: 28 }, { ...leaded, goal: 'fit' }),
  'a fine quad pack': surfaceRequest(
    { family: 'qfp', pins: 44, pitch_m: 0.5e-3 },
    { ...leaded, goal: 'fit' },
  ),
};

describe.each(['sn60pb40', 'sac305'] as const)('a joint made of %s', (alloy) => {
  it.each(Object.entries(fits))('nobody makes one with a tip that does not wet it: %s', (_, request) => {
    const [fit] = phasesOf({ ...request, site: { ...request.site, alloy } });
    const over_K = settingOf(fit!).setpoint_K - ALLOYS[alloy].liquidus.value;
    expect(over_K).toBeGreaterThanOrEqual(100 - 1e-6);
    // Nor hotter than it needs: 400 °C is for planes.
    expect(celsius(settingOf(fit!).setpoint_K)).toBeLessThanOrEqual(380);
  });
});

describe('a dwell', () => {
  it('is one that a hand can time: one to four seconds, nine times in ten', () => {
    for (const band of phasesOf(can)[0]!.bands) {
      expect(band.liftFrom_s).toBeLessThan(4);
      expect(band.melt_s.p90).toBeLessThan(4);
      expect(band.chanceSolidAtStop).toBeLessThan(0.05);
    }
  });

  it('is not bought with a setting that its own frontier beats in both damage and time', () => {
    for (const request of [can, ...Object.values(fits)]) {
      const [phase] = phasesOf(request);
      const { chosen, methods } = phase!;
      expect(frontierAbout(methods[0]!.candidates, chosen)).toContainEqual(chosen);
    }
  });
});

describe('a tip', () => {
  it('for one pin is no wider than a fine pitch, and about as wide as a plain land', () => {
    const { part } = fits['a fine quad pack'].site;
    expect(tipForOne(part).most_m).toBeCloseTo(0.5e-3);
    const wide = against(fits['a fine quad pack'], settingAt(320), tipForOne(part));
    expect(wide).toEqual(['tip-too-wide']);
    expect(against(can, settingAt(320), tipForOne(can.site.part))).toEqual([]);
  });

  it('is no needle on a plain joint, whatever the bench has besides', () => {
    const [phase] = phasesOf(can);
    const { tip } = settingOf(phase!);
    expect(tip.shape === 'hollow' || tip.width_m >= 0.9e-3).toBe(true);
  });

  it('that goes against a habit is taken where the bench has no other, and it is said', () => {
    const needle = { ...IRON, tips: [IRON.tips[1]!] };
    const [phase] = phasesOf(
      planRequest({ '1': [trackOn(1)], '2': [trackOn(1)] }, { board: TWO_LAYER, irons: [needle] }),
    );
    expect(phase!.methods[0]!.reasons.join(' ')).toContain('needle');
  });
});

describe('a low-melt alloy', () => {
  const flooded = surfaceRequest(
    { family: 'qfp', pins: 100, pitch_m: 0.5e-3 },
    { ...leaded, supplies: LOW_MELT },
  );

  it('is not heated with 420 °C: it is there to keep everything liquid for minutes', () => {
    const [phase] = phasesOf(flooded);
    expect(phase!.method.id).toBe('low-melt-flood');
    expect(celsius(settingOf(phase!).setpoint_K)).toBeLessThanOrEqual(350);
    expect(phase!.bands[0]!.stop_s).toBeGreaterThan(PLAN.longestSweep_s);
  });
});

describe('a can of two legs', () => {
  const replaced = planRequest(relieved, { ...leaded, goal: 'replace', guns: [GUN] });

  it('is rocked out before it is cut: it sits flat and spills', () => {
    const ids = phasesOf(replaced)[0]!.methods.map(({ method }) => method.id);
    expect(ids.indexOf('cut-then-pins')).toBeGreaterThan(ids.indexOf('leg-at-a-time'));
    expect(ids.indexOf('cut-then-pins')).toBeGreaterThan(ids.indexOf('pump-or-wick'));
  });

  it('is cut where nothing else frees it', () => {
    const stuck = planRequest(
      { '1': [planeOn(1, 2, 3)], '2': [planeOn(1, 2, 3)] },
      { goal: 'remove-sacrifice-part', preheaters: [] },
    );
    const plan = planOf(stuck);
    const cut = (
      plan.outcome === 'found' ? plan.phases[0].methods : plan.outcome === 'not-converged' ? [] : plan.methods
    ).find(({ method }) => method.id === 'cut-then-pins');
    expect(cut!.reasons[0]).toContain('The part is given up');
    expect(cut!.allowed).toBe(true);
  });
});

describe('the way that is chosen', () => {
  it('stands first among the methods, and what could not be proven says so', () => {
    for (const request of [can, ...Object.values(fits)]) {
      for (const { method, methods } of phasesOf(request)) expect(methods[0]!.method.id).toBe(method.id);
    }
  });

  it('says that a land is hurt more often by the record only where there is one', () => {
    const reasons = phasesOf(can).flatMap((p) => p.methods.flatMap((m) => m.reasons));
    expect(reasons.join(' ')).not.toContain('by the record');
  });
});
