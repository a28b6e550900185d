import { describe, expect, it } from 'vitest';
import type { PhasePlan } from '~/core/method/plan/phases/phasePlan';
import type { Plan } from '~/core/method/plan/plan';
import type { FoundPlan } from '~/core/method/plan/phases/foundPlan';
import { methodsFor } from '~/core/method/ways';
import { isSure } from '~/core/method/hand/bands';
import { tryOut } from '~/core/method/hand/handTrial';
import { gun } from '~/core/method/ways/gun';
import { harmChance } from '~/core/method/plan/rank';
import type { PlanRequest } from '~/core/method/request';
import { frontier } from '~/core/method/limits/frontier';
import { AIR, PLAN } from '~/core/method/settings';
import { surfacePackage } from '~/core/packages/outlines';
import { kelvin } from '~/core/quantity/convert';
import { planOf } from '../support/solve';
import {
  CAPACITOR,
  FOUR_LAYER,
  GUN,
  inPhase,
  IRON,
  planRequest,
  reliefOn,
  settingAt,
  STATION,
  surfaceRequest,
  trackOn,
  TWO_LAYER,
} from '../support/samples';

/** Facts of the trade as whole plans. All are common practice; none is a published number. */

const found = (plan: Plan): FoundPlan => {
  if (plan.outcome !== 'found') throw new Error(plan.outcome);
  return plan;
};
const first = (plan: Plan): PhasePlan => found(plan).phases[0];

const plain = (changes = {}) =>
  planRequest({ '1': [trackOn(2)], '2': [trackOn(2)] }, { board: TWO_LAYER, ...changes });

describe('set temperatures (common practice)', () => {
  it('a gun at 360 °C clears a plain hole; 480 °C costs several times as much', () => {
    const request = inPhase(plain({ guns: [GUN] }));
    if (gun.heat.kind !== 'hand') throw new Error(gun.heat.kind);
    const tip = GUN.tips[0]!;
    const { heat } = gun;
    const at = (setpoint_C: number) =>
      tryOut(request, heat, { ...settingAt(setpoint_C), tool: GUN, tip, setpoint_K: kelvin(setpoint_C) });
    expect(at(360).feasible).toBe(true);
    expect(at(480).damage / at(360).damage).toBeGreaterThan(4);
  });

  it('no plan for a plain hole asks for 480 °C where it has a choice', () => {
    const { chosen } = first(planOf(plain({ guns: [GUN] })));
    if (chosen.setting.kind !== 'hand') throw new Error(chosen.setting.kind);
    expect(chosen.setting.setpoint_K).toBeLessThanOrEqual(kelvin(380));
  });

  it('low and long, hot and quick both stand on the frontier: damage falls as time grows', () => {
    const front = first(planOf(plain())).frontier;
    const temperature = (i: number): number => {
      const { setting } = front.at(i)!;
      return setting.kind === 'hand' ? setting.setpoint_K : setting.air_K;
    };
    expect(temperature(0)).toBeLessThan(temperature(-1) - 40);
    expect(front[0]!.damage).toBeLessThan(front.at(-1)!.damage);
  });
});

describe('tips (common practice)', () => {
  it('a large tip is taken for a large joint', () => {
    const heavy = { ...CAPACITOR, leadDiameter_m: 1.3e-3, holeDiameter_m: 1.8e-3, landDiameter_m: 4e-3 };
    const irons = [
      {
        ...IRON,
        tips: [
          { shape: 'conical' as const, width_m: 0.5e-3, construction: 'cartridge' as const },
          { shape: 'chisel' as const, width_m: 1.6e-3, construction: 'cartridge' as const },
          { shape: 'bevel' as const, width_m: 4e-3, construction: 'cartridge' as const },
        ],
      },
    ];
    const base = plain({ irons, preheaters: [] });
    const { chosen } = first(planOf({ ...base, site: { ...base.site, part: heavy } }));
    if (chosen.setting.kind !== 'hand') throw new Error(chosen.setting.kind);
    expect(chosen.setting.tip.width_m).toBe(4e-3);
  });
});

const DIP14 = { ...CAPACITOR, family: 'dip' as const, pins: 14, pitch_m: 2.54e-3, rowSpacing_m: 7.62e-3 };
const pinsOn = (copper: (pin: number) => ReturnType<typeof trackOn>[]) =>
  Object.fromEntries(Array.from({ length: 14 }, (_, i) => [String(i + 1), copper(i + 1)]));

describe('a stuck dual in-line part on a multilayer board (common practice)', () => {
  // Holes so tight that no pump clears them, and no gun: nothing frees fourteen pins at once.
  const tight = { ...DIP14, leadDiameter_m: 0.75e-3, holeDiameter_m: 0.9e-3 };
  const base = planRequest(
    pinsOn((pin) => (pin === 7 ? [reliefOn(2)] : [trackOn(4)])),
    { worth: 'cheap' },
  );
  const stuck = { ...base, site: { ...base.site, part: tight } };

  it('to keep it is refused, and cutting the pins is offered, solved', () => {
    const plan = planOf(stuck);
    if (plan.outcome !== 'no-feasible-setting') throw new Error(plan.outcome);
    expect(plan.methods.every((m) => !m.allowed)).toBe(true);
    const cut = plan.remedies.find((r) => r.kind === 'give-up-the-part');
    expect(cut?.works).toBe(true);
    expect(cut?.method).toBe('cut-then-pins');
  });

  it('given up, it is cut and each pin comes out alone', () => {
    const plan = planOf({ ...stuck, goal: 'remove-sacrifice-part' });
    expect(first(plan).method.id).toBe('cut-then-pins');
    const ids = found(plan).steps.map((s) => s.id);
    expect(ids.indexOf('cut')).toBeLessThan(ids.indexOf('heat-1'));
    expect(found(plan).steps.find((s) => s.id === 'cut')!.cautions).toContain('eyes');
  });

  it('a scarce part is not cut where a gun would do', () => {
    const loose = { ...base, site: { ...base.site, part: DIP14 }, guns: [GUN], worth: 'scarce' as const };
    const { method, methods } = first(planOf({ ...loose, goal: 'replace' }));
    expect(method.survival).toBeGreaterThan(0.5);
    expect(methods.find((m) => m.method.id === 'cut-then-pins')!.price!.part).toBeGreaterThan(0.3);
  });
});

describe('a surface-mount can (common practice)', () => {
  const can = surfaceRequest(
    { family: 'canElectrolytic', diameter_m: 6.3e-3 },
    { goal: 'remove-sacrifice-part', stations: [] },
  );
  const twist = (request: typeof can) =>
    methodsFor(inPhase(request))
      .find((m) => m.id === 'twist-off')!
      .rules(inPhase(request))
      .filter((rule) => rule.forbids)
      .map((rule) => rule.says);

  it('is twisted only where its pads are whole', () => {
    expect(twist(can)).toEqual([]);
    for (const state of ['lifted', 'corroded', 'torn'] as const) {
      const hurt = { ...can, site: { ...can.site, padStates: { '2': state } } };
      expect(twist(hurt).join()).toMatch(/Never twist where pads are damaged: pad 2/);
    }
  });

  it('is never twisted where it has leaked, nor where it has to live', () => {
    expect(twist({ ...can, hazards: ['leaking-electrolyte'] }).join()).toMatch(/leaked/i);
    expect(twist({ ...can, goal: 'remove-keep-part' }).join()).toMatch(/must survive/);
  });

  it('a rejected way stays in sight with its reason', () => {
    const hurt = { ...can, site: { ...can.site, padStates: { '1': 'lifted' as const } } };
    const { methods } = first(planOf(hurt));
    const rejected = methods.find((m) => m.method.id === 'twist-off')!;
    expect(rejected.allowed).toBe(false);
    expect(rejected.reasons[0]).toMatch(/pad 1 is lifted/);
    const able = methods.filter((m) => m.feasible);
    expect(methods.indexOf(rejected)).toBeGreaterThanOrEqual(able.length);
  });
});

describe('J-leads hide their joints (common practice)', () => {
  it('no side is lifted by wicking', () => {
    const request = inPhase(surfaceRequest({ family: 'plcc', pins: 20 }));
    const wick = methodsFor(request).find((m) => m.id === 'wick-then-lift')!;
    expect(wick.rules(request).some((rule) => rule.forbids && /J-leads hide/.test(rule.says))).toBe(true);
  });
});

describe('parts with hidden joints (common practice)', () => {
  it('are done with hot air only, over warmth from below', () => {
    for (const family of ['qfn', 'bga'] as const) {
      const ids = methodsFor(inPhase(surfaceRequest({ family }))).map((m) => m.id);
      expect(ids).toEqual(['hot-air']);
    }
    const plan = planOf(surfaceRequest({ family: 'qfn' }));
    expect(first(plan).chosen.setting.preheat).not.toBeNull();
    // A verified plan keeps every limit that it claims.
    const { chosen, bands, neighbours } = first(plan);
    expect(chosen.feasible).toBe(true);
    expect(bands.every(isSure)).toBe(true);
    expect(neighbours.every((n) => n.ok)).toBe(true);
    for (const pin of chosen.pins) {
      expect(pin.fullMelt_s!).toBeLessThan(pin.off_s!);
      expect(pin.padDoseAtOff).toBeLessThanOrEqual(PLAN.dwellShare);
    }
  });
});

describe('two neighbours under one nozzle (common practice: they share one cycle)', () => {
  const request = surfaceRequest(
    { family: 'soic', pins: 8 },
    { irons: [], tweezers: [], stations: [STATION] },
  );
  const mate = {
    ref: 'U2',
    x_m: request.site.x_m + 9e-3,
    y_m: request.site.y_m,
    rotation_rad: 0,
    side: 'top' as const,
    alloy: 'sn60pb40' as const,
    part: surfacePackage({ family: 'soic', pins: 8 }),
    connections: request.site.connections,
    comesToo: true,
  };
  const plan = first(planOf({ ...request, neighbours: [mate] }));

  it('melt together, and every pad of both is in the plan', () => {
    const pads = plan.bands.map((band) => band.pad);
    expect(pads).toContain('1');
    expect(pads).toContain('U2.8');
    expect(pads).toHaveLength(16);
    expect(plan.chosen.pins.every((pin) => pin.fullMelt_s !== null)).toBe(true);
  });

  // Not always gentler: over the middle of two it may be hotter than each alone wants. So both are told.
  it('one heat is shorter than two, and what either costs the worst pad is told', () => {
    const { shared } = plan;
    expect(shared!.apart.heats).toBe(2);
    expect(shared!.together.time_s).toBeLessThan(shared!.apart.time_s);
    for (const { padDose } of [shared!.together, shared!.apart]) {
      expect(padDose).toBeGreaterThan(0);
      expect(padDose).toBeLessThan(1);
    }
    expect(shared!.together.padDose).toBeCloseTo(
      Math.max(...plan.chosen.pins.map((pin) => pin.padDoseAtOff)),
      9,
    );
  });

  it('no tool in the hand is offered for both', () => {
    expect(plan.methods.filter((m) => m.method.heat.kind === 'hand').every((m) => !m.allowed)).toBe(true);
  });
});

describe('a neighbour that would get too hot under air', () => {
  const request = surfaceRequest({ family: 'qfn' }, { irons: [], tweezers: [] });
  const close = (away_m: number) => ({
    ref: 'J1',
    x_m: request.site.x_m + away_m,
    y_m: request.site.y_m,
    rotation_rad: 0,
    side: 'top' as const,
    alloy: 'sn60pb40' as const,
    part: surfacePackage({ family: 'chip', code: '0603' }),
  });

  it('binds the plan, and foil over it is solved as the remedy', () => {
    const plan = planOf({ ...request, neighbours: [close(9e-3)] });
    if (plan.outcome !== 'no-feasible-setting') throw new Error(plan.outcome);
    expect(plan.binding.neighbour?.ref).toBe('J1');
    const shield = plan.remedies.find((r) => r.kind === 'shield')!;
    expect(shield.works).toBe(true);
    expect(shield.setting.kind === 'air' && shield.setting.shielded).toBe(true);
  });

  it('comes off in the same heat without a limit of its own', () => {
    const plan = planOf({ ...request, neighbours: [{ ...close(8e-3), comesToo: true }] });
    expect(found(plan).phases[0].chosen.pins.some((pin) => pin.pad === 'J1.1')).toBe(true);
  });
});

describe('the search', () => {
  it('puts what it chooses on its own frontier, within what the estimate can tell apart', () => {
    const plan = first(planOf(plain()));
    const front = frontier(plan.methods[0]!.candidates);
    const best = front.find((c) => Math.abs(c.damage - plan.chosen.damage) < PLAN.damageResolution);
    expect(best).toBeDefined();
    expect(front.every((c) => c.time_s! >= plan.chosen.time_s! || c.damage >= plan.chosen.damage)).toBe(true);
  });

  it('a record of hurt lands moves a method down, shrunk toward what is usual', () => {
    const clean = inPhase(plain({ guns: [GUN] }));
    const hurt = { ...clean, record: [{ method: 'gun', jobs: 10, harmed: 6 }] };
    expect(harmChance(hurt, gun)).toBeGreaterThan(harmChance(clean, gun) + 0.1);
    expect(harmChance(hurt, gun)).toBeLessThan(0.6);
    expect(first(planOf(plain({ guns: [GUN] }))).method.id).toBe('gun');
    const plan = first(planOf(plain({ guns: [GUN], record: [{ method: 'gun', jobs: 10, harmed: 6 }] })));
    expect(plan.method.id).not.toBe('gun');
    expect(plan.methods.find((m) => m.method.id === 'gun')!.reasons.join(' ')).toMatch(/6 of 10 hurt a pad/);
  });

  it('a gun more than half closed is not asked to clear anything', () => {
    const plan = first(planOf(plain({ guns: [{ ...GUN, clogged: 0.7 }] })));
    expect(plan.methods.find((m) => m.method.id === 'gun')!.reasons[0]).toMatch(/half closed/);
  });

  it('a plan says how the board comes down, with its bow against the limit', () => {
    const { coolDown } = first(
      planOf(surfaceRequest({ family: 'soic', pins: 8 }, { irons: [], tweezers: [] })),
    );
    expect(coolDown!.clock_s).toBeGreaterThan(30);
    expect(coolDown!.bowLeft).toBeLessThanOrEqual(coolDown!.bowLimit);
    expect(coolDown!.bowHot).toBeLessThanOrEqual(coolDown!.bowLimit);
    expect(coolDown!.fall_K_s).toBeLessThanOrEqual(AIR.coolRamp_K_s);
    expect(coolDown!.ok).toBe(true);
  });
});

describe('a socket', () => {
  it('goes into a dual in-line part’s own holes, one pin first and then a look', () => {
    const base = planRequest(
      pinsOn(() => [trackOn(4)]),
      { board: FOUR_LAYER, goal: 'fit-socket' },
    );
    const plan = planOf({ ...base, site: { ...base.site, part: DIP14 } });
    expect(first(plan).request.site.part.family).toBe('dipSocket');
    const ids = found(plan).steps.map((s) => s.id);
    expect(ids[ids.indexOf('heat-1') + 1]).toBe('look-1');
  });
});

describe('water in a moulded body that will pass 200 °C (J-STD-033 floor life and bake table, from memory)', () => {
  const HOUR_s = 3600;
  const stepOf = (moisture: PlanRequest['moisture']) => {
    const request = surfaceRequest({ family: 'qfn' }, { irons: [], tweezers: [], moisture });
    const plan = planOf({ ...request, site: { ...request.site, alloy: 'sac305' } });
    return found(plan).steps.find((s) => s.id === 'moisture');
  };

  it('past its floor life it is baked first: level 3, 400 h out, under 1.4 mm thick, 9 h at 125 °C', () => {
    const step = stepOf({ level: '3', exposed_s: 400 * HOUR_s, bake_C: 125 });
    expect(step).toMatchObject({ kind: 'gate', title: 'Bake 9 h at 125 °C first' });
  });

  it('within its 168 h it goes straight on; a level nobody knows is asked for at a gate', () => {
    expect(stepOf({ level: '3', exposed_s: 100 * HOUR_s, bake_C: 125 })).toBeUndefined();
    expect(stepOf(null)).toMatchObject({ kind: 'gate', title: 'Its moisture level, before any heat' });
  });

  it('a hand iron that leaves the body cool asks for nothing', () => {
    const request = surfaceRequest(
      { family: 'soic', pins: 8 },
      { goal: 'reflow', stations: [], tweezers: [] },
    );
    expect(found(planOf(request)).steps.some((s) => s.id === 'moisture')).toBe(false);
  });
});
