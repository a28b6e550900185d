import { describe, expect, it } from 'vitest';
import {
  CAPACITOR,
  GUN,
  inPhase,
  planeOn,
  planRequest,
  STATION,
  surfaceRequest,
  trackOn,
  TWEEZERS,
} from '../../../../tests/support/samples';
import { kelvin } from '~/core/quantity/convert';
import type { SurfaceSpec } from '~/core/packages/outlines';
import { CAUTIONS } from '../cautions';
import type { Phase } from '../goals';
import type { CoolDown } from '../air/wayDown';
import { settingsOnBench } from '../hand/handSearch';
import { methodsFor } from '../ways';
import type { Method } from '../ways/method';
import { HAZARDS, type PhaseRequest, type PlanRequest } from '../request';
import type { PhaseWork } from './phaseWork';
import { air, band, coolDown, workOf } from '../../../../tests/support/works';
import { stepsFor } from './frame';
import { brokenOrder } from './order';
import { isSurface } from '~/core/packages/form';
import { leadOf, type Step } from './step';

/** As benches usually warm, where a method blows air; cold for any other. */
const work = (request: PhaseRequest, method: Method, changes: Partial<PhaseWork> = {}): PhaseWork =>
  workOf(request, method, method.heat.kind === 'air' ? air.preheat : null, changes)!;

const bench = { guns: [GUN], tweezers: [TWEEZERS], stations: [STATION] };

function hole(part: Partial<typeof CAPACITOR>, changes: Partial<PlanRequest> = {}): PlanRequest {
  const whole = { ...CAPACITOR, ...part };
  const pins = Array.from({ length: whole.pins }, (_, i) => String(i + 1));
  const base = planRequest(
    Object.fromEntries(pins.map((pad, i) => [pad, [i === 0 ? planeOn(2) : trackOn(4)]])),
    { ...bench, ...changes },
  );
  return { ...base, site: { ...base.site, part: whole } };
}

const land = (spec: SurfaceSpec, changes: Partial<PlanRequest> = {}): PlanRequest =>
  surfaceRequest(spec, { ...bench, ...changes });

const PARTS: readonly (readonly [string, PlanRequest])[] = [
  ['a capacitor', hole({})],
  ['a dual in-line part', hole({ family: 'dip', pins: 14, pitch_m: 2.54e-3, leadDiameter_m: 0.5e-3 })],
  ['a chip', land({ family: 'chip', code: '0805' })],
  ['a can', land({ family: 'canElectrolytic' })],
  ['a small outline', land({ family: 'soic', pins: 8 })],
  ['a flat pack', land({ family: 'qfp', pins: 44 })],
  ['a pack on balls', land({ family: 'bga', rows: 6, columns: 6 })],
];

const ways = PARTS.flatMap(([name, request]) =>
  (['remove', 'reflow', 'fit'] as const satisfies readonly Phase[]).flatMap((phase) => {
    const goal = phase === 'remove' ? ('remove-sacrifice-part' as const) : phase;
    const asked = inPhase({ ...request, goal }, phase);
    return methodsFor(asked).flatMap((method) =>
      method.heat.kind === 'air' || settingsOnBench(asked, method.heat, null).length > 0
        ? [[`${method.id}, ${phase}, ${name}`, asked, method] as const]
        : [],
    );
  }),
);

const at = (steps: readonly Step[], id: string): number => steps.findIndex((step) => step.id === id);
const firstHeat = (steps: readonly Step[]): number => steps.findIndex((step) => step.kind === 'heat');
const lastHeat = (steps: readonly Step[]): number => steps.findLastIndex((step) => step.kind === 'heat');

// job.md, the order of the trade.
describe.each(ways)('%s', (_, request, method) => {
  const steps = stepsFor([work(request, method)]);

  it('gives every step a name of its own, a word on what to do, and its reason', () => {
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
    for (const step of steps) {
      expect(step.title.length).toBeGreaterThan(2);
      expect(step.detail.length).toBeGreaterThan(8);
      expect(step.why.length).toBeGreaterThan(15);
    }
  });

  it('sets the station and fluxes before any heat, cleans and dries after all of it', () => {
    expect(firstHeat(steps)).toBeGreaterThan(at(steps, 'set'));
    expect(firstHeat(steps)).toBeGreaterThan(Math.max(at(steps, 'flux'), at(steps, 'paste')));
    expect(Math.max(at(steps, 'flux'), at(steps, 'paste'))).toBeGreaterThan(0);
    expect(at(steps, 'clean')).toBeGreaterThan(lastHeat(steps));
    expect(at(steps, 'dry')).toBe(at(steps, 'clean') + 1);
  });

  it('looks at the pads once the heat is off and they are clean', () => {
    const looks = steps.findLastIndex((step) => step.kind === 'inspect');
    expect(looks).toBeGreaterThan(lastHeat(steps));
    expect(looks).toBeGreaterThan(at(steps, 'clean'));
  });

  it('keeps every rule of the trade’s order', () => {
    expect(brokenOrder(steps, isSurface(request.site.part) ? 'surface' : 'through-hole')).toEqual([]);
  });

  it('gives every heat a clock that stops after it is expected to be done, and what to do if it is not', () => {
    const heats = steps.filter((step) => step.kind === 'heat');
    expect(heats.length).toBeGreaterThan(0);
    for (const { dwell, phase } of heats) {
      expect(dwell!.expect_s[0]).toBeLessThan(dwell!.expect_s[1]);
      expect(dwell!.stop_s).toBeGreaterThan(dwell!.liftFrom_s);
      expect(dwell!.ifNotMolten.length).toBeGreaterThan(20);
      expect(phase).toBe(request.phase);
    }
  });

  it('holds its cautions in the steps that meet them', () => {
    const having = (caution: string): string[] =>
      steps.filter((step) => step.cautions.includes(caution as never)).map((step) => step.id);
    expect(having('fume').some((id) => id === 'flux' || id === 'paste')).toBe(true);
    expect(having('hot-board')).toContain('set');
    expect(having('solvent')).toEqual(['clean']);
    if (method.id.startsWith('cut-')) expect(having('eyes').length).toBeGreaterThan(0);
    for (const step of steps) for (const caution of step.cautions) expect(CAUTIONS[caution]).toBeTruthy();
  });

  it('ends at the supply where the board is to run after it, and not where a part is off', () => {
    expect(steps.at(-1)!.id).toBe(request.phase === 'remove' ? 'inspect' : 'supply');
  });
});

describe('electrolyte that leaked (common practice: water, alcohol, a low oven)', () => {
  it('is washed, rinsed and dried with clocks of their own before the board is powered, and only there', () => {
    const idsOf = (hazards: PlanRequest['hazards']): string[] => {
      const request = inPhase(
        { ...planRequest({ '1': [trackOn(1)], '2': [trackOn(1)] }), hazards, goal: 'reflow' },
        'reflow',
      );
      return stepsFor([work(request, methodsFor(request)[0]!)]).map((s) => s.id);
    };
    expect(
      idsOf(['leaking-electrolyte']).filter((id) => /^(clean|wash|rinse|oven|dry|supply)$/.test(id)),
    ).toEqual(['clean', 'wash', 'rinse', 'oven', 'dry', 'supply']);
    expect(idsOf([])).not.toContain('wash');
  });
});

describe('what the trade does cold, and what it measures (common practice)', () => {
  const stepsOf = (base: PlanRequest, goal: PlanRequest['goal'], id: string, phase: Phase = 'remove') => {
    const request = inPhase({ ...base, goal }, phase);
    const method = methodsFor(request).find((m) => m.id === id)!;
    return stepsFor([work(request, method)]);
  };
  const tab = hole({ family: 'to220', pins: 3, pitch_m: 2.54e-3, leadDiameter_m: 0.9e-3 });
  const clinched = (() => {
    const base = hole({});
    return { ...base, site: { ...base.site, clinched: true } };
  })();

  it('bent leads are cut flush before any heat, whatever tool follows', () => {
    for (const id of ['gun', 'leg-at-a-time', 'pump-or-wick']) {
      const steps = stepsOf(clinched, 'remove-keep-part', id);
      expect(at(steps, 'clinched'), id).toBeGreaterThanOrEqual(0);
      expect(at(steps, 'clinched'), id).toBeLessThan(firstHeat(steps));
    }
  });

  it('a power tab loses its screw and sink cold, and gets them and its insulator back', () => {
    const off = stepsOf(tab, 'remove-keep-part', 'gun');
    expect(at(off, 'hardware')).toBeLessThan(at(off, 'set'));
    expect(off[at(off, 'hardware')]!.detail).toMatch(/insulator/);
    const on = stepsOf(tab, 'fit', 'joint-by-joint', 'fit');
    expect(at(on, 'hardware-on')).toBeGreaterThan(lastHeat(on));
  });

  it('a capacitor taken off is measured, a memory is read: no checksum of a capacitor', () => {
    const capacitor = stepsOf(hole({}), 'read-and-refit', 'gun');
    expect(capacitor[at(capacitor, 'read')]!.title).toBe('Measure the part out of circuit');
    const memory = stepsOf(
      hole({ family: 'dip', pins: 14, pitch_m: 2.54e-3, leadDiameter_m: 0.5e-3 }),
      'read-and-refit',
      'gun',
    );
    expect(memory[at(memory, 'read')]!.title).toMatch(/^Read the part/);
  });

  it('lands that were not dressed when the part came off are dressed before a new one is set', () => {
    const base = hole({});
    const left = stepsOf(
      { ...base, site: { ...base.site, undressed: true } },
      'fit',
      'joint-by-joint',
      'fit',
    );
    expect(at(left, 'dress')).toBeGreaterThanOrEqual(0);
    expect(at(left, 'dress')).toBeLessThan(at(left, 'seat'));
    expect(at(stepsOf(base, 'fit', 'joint-by-joint', 'fit'), 'dress')).toBe(-1);
  });
});

describe('hazards', () => {
  const request = inPhase(hole({}, { hazards: HAZARDS, goal: 'remove-sacrifice-part' }));
  const steps = stepsFor([work(request, methodsFor(request)[0]!)]);

  it('are cleared at gates before anything is touched, each with its own words', () => {
    const gates = steps.slice(0, HAZARDS.length);
    expect(gates.map((s) => s.id).sort()).toEqual(HAZARDS.map((h) => `gate-${h}`).sort());
    for (const step of gates) expect(step.kind).toBe('gate');
    expect(steps.find((s) => s.id === 'gate-stored-charge')!.detail).toContain('60 V');
  });

  it('a cell’s gate says how far the heat reaches', () => {
    const [method] = methodsFor(request);
    const told = (keepOut: PhaseWork['keepOut']): string =>
      stepsFor([work(request, method!, { keepOut })]).find((s) => s.id === 'gate-lithium')!.detail;
    expect(told({ within_m: 0.0123, limit_K: kelvin(60) })).toContain('within 13 mm of C1 passes 60 °C');
    expect(told({ within_m: null, limit_K: kelvin(60) })).toContain('The whole board passes 60 °C');
    expect(told({ within_m: 0, limit_K: kelvin(60) })).toContain('Nothing beyond the joints');
  });
});

describe('two halves of a job', () => {
  const request = hole({}, { goal: 'replace' });
  const off = inPhase(request, 'remove');
  const on = inPhase(request, 'fit');
  const steps = stepsFor([work(off, methodsFor(off)[0]!), work(on, methodsFor(on)[0]!)]);

  it('follow each other, the holes looked at before the new part hides them', () => {
    const order = [
      'take-out',
      'dress',
      'clean-site',
      'inspect',
      'fit-marking',
      'fit-seat',
      'fit-set',
      'clean',
      'dry',
      'fit-inspect',
      'fit-meter',
      'supply',
    ];
    const places = order.map((id) => at(steps, id));
    expect(places).not.toContain(-1);
    expect([...places].sort((a, b) => a - b)).toEqual(places);
  });

  it('trim the leads after soldering, eyes covered, where leads come long', () => {
    const trim = steps[at(steps, 'fit-trim')]!;
    expect(trim.cautions).toContain('eyes');
    expect(at(steps, 'fit-trim')).toBeLessThan(at(steps, 'fit-inspect'));
  });

  it('dressing says how hot, how long and what it costs, for that is where pads go (common practice)', () => {
    const dress = steps[at(steps, 'dress')]!;
    expect(dress.detail).toMatch(
      /At \d+ °C, no pad longer than \d+\.\d s at a time; reckon it as one more touch, about .*budget/,
    );
  });

  it('a lifted land is not pumped with the others: last, and without suction', () => {
    const site = { ...request.site, padStates: { '2': 'lifted' as const } };
    const hurt = inPhase({ ...request, site }, 'remove');
    const dress = stepsFor([work(hurt, methodsFor(hurt)[0]!)]).find((s) => s.id === 'dress')!;
    expect(dress.detail).toMatch(/^Pump or wick pin 1 clear/);
    expect(dress.detail).toContain(
      'Pin 2, lifted, still attached: last, braid laid still with flux, no suction',
    );
  });

  it('a socket is looked at as a socket, not for a value and a suffix', () => {
    const own = inPhase({ ...request, goal: 'fit-socket' }, 'fit');
    const look = stepsFor([work(own, methodsFor(own)[0]!)]).find((s) => s.id === 'marking')!;
    expect(look.title).toBe('Look at the socket');
    expect(look.detail).not.toContain('suffix');
  });

  it('show the site’s picture where a part can be turned wrongly', () => {
    expect(steps.filter((s) => s.picture).map((s) => s.id)).toEqual([
      'orientation',
      'fit-seat',
      'fit-look-2',
    ]);
  });

  it('anchor the new part by one pin and look again before the rest', () => {
    const heats = steps.flatMap((s, i) => (s.phase === 'fit' ? [i] : []));
    const look = at(steps, 'fit-look-2');
    expect(heats[0]).toBeLessThan(look);
    expect(heats[1]).toBeGreaterThan(look);
  });

  it('a part to be read is read before it goes back', () => {
    const read = { ...request, goal: 'read-and-refit' } as const;
    const own = inPhase(read, 'remove');
    const back = inPhase(read, 'fit');
    const all = stepsFor([work(own, methodsFor(own)[0]!), work(back, methodsFor(back)[0]!)]);
    expect(at(all, 'read')).toBeGreaterThan(at(all, 'take-out'));
    expect(at(all, 'read')).toBeLessThan(at(all, 'fit-marking'));
    expect(all[at(all, 'read')]!.kind).toBe('gate');
  });
});

describe('air', () => {
  const request = inPhase(land({ family: 'soic', pins: 8 }, { goal: 'remove-sacrifice-part' }));
  const method = methodsFor(request).find((m) => m.heat.kind === 'air')!;

  it('has one clock, which says when the nozzle comes down and never after the stop', () => {
    const told = (stop_s: number): string =>
      stepsFor([
        { ...work(request, method), setting: air, bands: [{ ...band('1', ['1'], 10), stop_s }] },
      ]).find((s) => s.kind === 'heat')!.detail;
    expect(told(65)).toMatch(/^From 40 mm for the first 30 s of the clock, then down to 8 mm/);
    expect(told(28)).toMatch(/^From 40 mm the whole time/);
    expect(leadOf(told(65)).lead.length).toBeLessThanOrEqual(90);
  });

  it('flux goes on before the board is warmed', () => {
    const steps = stepsFor([work(request, method)]);
    expect(at(steps, 'flux')).toBeLessThan(at(steps, 'preheat'));
    expect(steps.some((s) => s.id === 'approach')).toBe(false);
  });
});

describe('coming down after air', () => {
  const request = inPhase(land({ family: 'soic', pins: 8 }, { goal: 'remove-sacrifice-part' }));
  const method = methodsFor(request).find((m) => m.heat.kind === 'air')!;
  const cool = (changes: Partial<CoolDown>): Step =>
    stepsFor([work(request, method, { coolDown: { ...coolDown, ...changes } })]).find(
      (step) => step.id === 'cool',
    )!;

  it('has its clock and its bow', () => {
    expect(cool({}).wait_s).toBe(260);
    expect(cool({}).detail).toContain('0.10 % of 0.75 %');
  });

  it('says how: away bit by bit, held, or brought down', () => {
    expect(cool({}).detail).toMatch(/^Draw the nozzle away bit by bit over 20 s, air on. Then all heat off/);
    expect(cool({ how: 'off at once', airAway_s: 0, heldPreheat_s: 0 }).detail).toMatch(/^All heat off/);
    expect(cool({ how: 'preheater held, then off', heldPreheat_s: 60 }).detail).toContain('stays on 60 s');
    expect(cool({ how: 'preheater brought down slowly', heldPreheat_s: 240 }).detail).toContain('over 4 min');
  });

  it('owns up to the limit it does not keep', () => {
    expect(cool({ ok: false, bowLeft: 0.01 }).why).toContain('bow');
    expect(cool({ ok: false, fall_K_s: 9.04 }).why).toContain('9.0 K/s');
  });
});
