import { describe, expect, it } from 'vitest';
import { planOf } from '../../../tests/support/solve';
import {
  CAPACITOR,
  planeOn,
  planRequest,
  reliefOn,
  settingAt,
  trackOn,
  TWO_LAYER,
} from '../../../tests/support/samples';
import { ALLOYS } from '../materials/alloys';
import { isSure } from './bands';
import { padOrder } from './request';
import { frontier, tryOut } from './search';
import { PLAN } from './settings';

const LIQUIDUS_K = ALLOYS.sn60pb40.liquidus.value;
const easy = planRequest({ '1': [trackOn(2)], '2': [trackOn(2)] }, { board: TWO_LAYER });
const grounded = planRequest({ '1': [trackOn(4)], '2': [planeOn(2, 3)] });

describe('a plan for a plain joint', () => {
  const plan = planOf(easy);

  it('is found, and its bands keep what it promises', () => {
    if (plan.outcome !== 'found') throw new Error(plan.outcome);
    expect(plan.bands.every(isSure)).toBe(true);
    for (const band of plan.bands) {
      expect(band.draws).toBe(PLAN.draws);
      expect(band.melt_s.p10).toBeLessThanOrEqual(band.melt_s.p50);
      expect(band.melt_s.p50).toBeLessThanOrEqual(band.melt_s.p90);
      expect(band.padDose.p90).toBeLessThanOrEqual(PLAN.dwellShare + 1e-9);
    }
  });

  it('chooses from the settings it searched, and its frontier trades damage for time', () => {
    if (plan.outcome !== 'found') throw new Error(plan.outcome);
    const front = plan.frontier;
    expect(front.length).toBeGreaterThan(2);
    for (let i = 1; i < front.length; i++) {
      expect(front[i]!.damage).toBeGreaterThanOrEqual(front[i - 1]!.damage);
      expect(front[i]!.time_s!).toBeLessThan(front[i - 1]!.time_s!);
    }
    const cheapest = front[0]!.damage;
    expect(plan.chosen.damage).toBeLessThan(cheapest + 2 * PLAN.damageResolution);
  });

  it('runs the trade’s order: station, flux, solder, heat, lift, dress, inspect, clean, dry', () => {
    if (plan.outcome !== 'found') throw new Error(plan.outcome);
    expect(plan.steps.map((s) => s.id)).toEqual([
      'set',
      'flux',
      'solder',
      'heat-1',
      'heat-2',
      'lift',
      'dress',
      'inspect',
      'clean',
      'dry',
    ]);
    expect(plan.cautions).toContain('lead');
  });
});

describe('a plan that cannot be', () => {
  const plan = planOf(grounded);

  it('names the pin, the limit and remedies that were solved again', () => {
    if (plan.outcome !== 'no-feasible-setting') throw new Error(plan.outcome);
    const preheat = plan.remedies.find((r) => r.kind === 'preheat')!;
    expect(preheat.works).toBe(true);
    expect(preheat.setting.preheat).not.toBeNull();
    const again = tryOut(grounded, preheat.setting, LIQUIDUS_K);
    expect(again.feasible).toBe(true);
    expect(again.time_s).toBeCloseTo(preheat.time_s!, 9);
  });

  it('will not walk fourteen pins out with one iron, but will if the part is given up', () => {
    const part = { ...CAPACITOR, family: 'dip' as const, pins: 14, pitch_m: 2.54e-3, rowSpacing_m: 7.62e-3 };
    const pins = Object.fromEntries(Array.from({ length: 14 }, (_, i) => [String(i + 1), [trackOn(2)]]));
    const base = planRequest(pins, { board: TWO_LAYER });
    const dip = { ...base, site: { ...base.site, part } };
    const keep = planOf(dip);
    if (keep.outcome !== 'no-feasible-setting') throw new Error(keep.outcome);
    expect(keep.binding.limit).toBe('method');
    expect(keep.remedies.find((r) => r.kind === 'give-up-the-part')?.works).toBe(true);
    const given = planOf({ ...dip, goal: 'remove-sacrifice-part' });
    expect(given.outcome).toBe('found');
    if (given.outcome === 'found') expect(given.steps.some((s) => s.id === 'cut')).toBe(true);
  });
});

describe('properties of the search', () => {
  const time = (request: typeof easy, setting: ReturnType<typeof settingAt>): number =>
    Math.max(...tryOut(request, setting, LIQUIDUS_K).pins.map((p) => p.fullMelt_s ?? Infinity));

  it('more copper never melts sooner', () => {
    const copper = [[trackOn(4)], [reliefOn(2)], [planeOn(2)], [planeOn(2, 3)]];
    const times = copper.map((c) => time(planRequest({ '1': c, '2': c }), settingAt(400)));
    for (let i = 1; i < times.length; i++) expect(times[i]!).toBeGreaterThanOrEqual(times[i - 1]! * 0.999);
  });

  it('more preheat never melts later', () => {
    const request = planRequest({ '1': [reliefOn(2)], '2': [reliefOn(2)] });
    const times = [0, 30, 60, 120, 240].map((soak_s) =>
      time(request, settingAt(360, undefined, { kind: 'convective', setpoint_K: 423, soak_s })),
    );
    for (let i = 1; i < times.length; i++) expect(times[i]!).toBeLessThanOrEqual(times[i - 1]! * 1.001);
  });

  it('a spent budget shortens the stop', () => {
    const fresh = tryOut(easy, settingAt(400), LIQUIDUS_K);
    const worn = tryOut(
      { ...easy, history: { padDose: { '1': 0.7, '2': 0.7 }, laminateDose: 0 } },
      settingAt(400),
      LIQUIDUS_K,
    );
    expect(worn.pins[0]!.stop_s).toBeLessThan(fresh.pins[0]!.stop_s);
  });

  it('works ground and plane pins last (common practice)', () => {
    const request = planRequest({ '1': [planeOn(2)], '2': [trackOn(4)] });
    expect(padOrder(request)).toEqual(['2', '1']);
  });

  it('an empty list has an empty frontier', () => {
    expect(frontier([])).toEqual([]);
  });
});
