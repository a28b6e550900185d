import { describe, expect, it } from 'vitest';
import { NOTHING_READY, takenUp, type Preparation, type SiteWants } from './readiness';
import { isShared, roundSteps, type RoundPlace } from './roundSteps';

const IRON = { toolId: 'iron', at: '280', turned: false };
const GUN = { toolId: 'gun', at: '300', turned: false };
const wants = (changes: Partial<SiteWants> = {}): SiteWants => ({
  area: 0,
  value: '10 µF',
  tools: [GUN, IRON],
  warmth: 'plate 423',
  ...changes,
});

/** What is still to be done for each of several sites, taken up one after another. */
function inTurn(...sites: SiteWants[]): Preparation[] {
  let ready = NOTHING_READY;
  return sites.map((site) => {
    const { todo, after } = takenUp(ready, site);
    ready = after;
    return todo;
  });
}

describe('what stands ready from part to part', () => {
  it('discharge once, a station once for a setting, an area soaked once, a tray opened once', () => {
    const [first, second] = inTurn(wants(), wants());
    expect(first).toEqual({ discharge: true, move: true, tray: true, warm: true, set: [true, true] });
    expect(second).toEqual({ discharge: false, move: false, tray: false, warm: false, set: [false, false] });
  });

  it('another setting, area or value is set, soaked and opened anew, and so is coming back to it', () => {
    const hotter = wants({ tools: [GUN, { ...IRON, at: '320' }] });
    const away = wants({ area: 1, value: '47 µF' });
    const [, set, moved, back] = inTurn(wants(), hotter, away, wants());
    expect(set!.set).toEqual([false, true]);
    expect(moved).toEqual({ discharge: false, move: true, tray: true, warm: true, set: [false, true] });
    expect(back).toEqual({ discharge: false, move: true, tray: true, warm: true, set: [false, false] });
  });

  it('a tool that a touch turned hotter is set again, and one tool in two phases twice', () => {
    const turned = wants({ tools: [{ ...IRON, turned: true }] });
    expect(inTurn(turned, turned)[1]!.set).toEqual([true]);
    const both = wants({ tools: [IRON, { ...IRON, at: '240' }] });
    expect(inTurn(both, both)[1]!.set).toEqual([true, true]);
  });

  it('a part worked cold needs no soak and leaves its area warm', () => {
    const [, cold, warm] = inTurn(wants(), wants({ warmth: null }), wants());
    expect(cold!.warm).toBe(false);
    expect(warm!.warm).toBe(false);
  });
});

const STEPS = [
  'gate-stored-charge',
  'gate-lithium',
  'orientation',
  'set',
  'preheat',
  'heat-1',
  'lift',
  'fit-marking',
  'fit-set',
  'fit-preheat',
  'fit-heat-1',
  'clean',
  'dry',
  'supply',
].map((id) => ({ id, detail: `own ${id}` }));

const READY: Preparation = { discharge: false, move: false, tray: false, warm: false, set: [false, false] };
const PLACE: RoundPlace = {
  ref: 'C2',
  value: '10 µF 63 V',
  by: 'value',
  todo: READY,
  wait_s: 0,
  lookAlikes: [{ value: '47 µF 50 V', refs: ['C8', 'C9'] }],
  next: { ref: 'C3', value: '10 µF 63 V' },
  uncleaned: ['C1'],
};
const walk = (changes: Partial<RoundPlace> = {}) =>
  roundSteps(STEPS, { ...PLACE, ...changes }, ({ id, detail }) => ({ id, detail }));
const ids = (changes: Partial<RoundPlace> = {}): string[] => walk(changes).map((s) => s.id);
const detail = (id: string, changes: Partial<RoundPlace> = {}): string =>
  walk(changes).find((s) => s.id === id)!.detail;

describe('the steps of one part of many', () => {
  it('leave out what stands ready, and pause after the part', () => {
    expect(ids()).toEqual([
      // How far a cell has to stay away is each part's own.
      'gate-lithium',
      'orientation',
      'heat-1',
      'lift',
      'fit-marking',
      'fit-heat-1',
      'pause',
      'clean',
      'dry',
      'supply',
    ]);
  });

  it('keep what does not: gates before any touch, one soak for both halves, the station that changed', () => {
    const all = { discharge: true, move: true, tray: true, warm: true, set: [true, true] };
    const first = ids({ todo: all });
    expect(first.slice(0, 5)).toEqual([
      'gate-stored-charge',
      'gate-lithium',
      'orientation',
      'set',
      'preheat',
    ]);
    expect(first).toContain('fit-set');
    expect(first).not.toContain('fit-preheat');
    expect(first.indexOf('tray')).toBe(first.indexOf('fit-marking') - 1);
    expect(ids({ todo: { ...READY, set: [false, true] } })).toContain('fit-set');
    expect(ids({ todo: { ...READY, set: [false, true] } })).not.toContain('set');
  });

  it('wait for a warm neighbour with a clock, where the time in all counts it', () => {
    expect(ids({ wait_s: 72 })[0]).toBe('cool-neighbour');
    expect(detail('cool-neighbour', { wait_s: 72 })).toContain('does not boil off at once');
  });

  it('the last has no pause, and its cleaning is for all that was worked', () => {
    expect(ids({ next: null })).not.toContain('pause');
    expect(detail('clean', { next: null })).toMatch(/^All that was worked: C1 and C2\. own clean/);
    expect(detail('clean', { uncleaned: [] })).toBe('own clean');
  });

  it('look-alikes are named where the part is read and where its tray is opened', () => {
    expect(detail('fit-marking')).toContain('It has to be 10 µF 63 V');
    expect(detail('fit-marking')).toContain('Not 47 µF 50 V, which is for C8 and C9.');
    const tray = { todo: { ...READY, tray: true } };
    expect(detail('tray', tray)).toContain('47 µF 50 V goes into the same holes');
    expect(detail('tray', { ...tray, by: 'area' })).toContain('All trays stand open');
  });

  it('knows which of them served more than one part', () => {
    expect(STEPS.map((s) => s.id).filter(isShared)).toEqual([
      'gate-stored-charge',
      'set',
      'preheat',
      'fit-set',
      'fit-preheat',
      'clean',
      'dry',
      'supply',
    ]);
  });
});

describe('a part in the middle of a run', () => {
  const steps = [
    'gate-power',
    'discharge',
    'static',
    'baseline',
    'orientation',
    'heat-1',
    'clean',
    'dry',
    'fit-inspect',
    'fit-meter',
    'supply',
  ].map((id) => ({ id, detail: `own ${id}` }));
  const place = (discharge: boolean, next: RoundPlace['next']): RoundPlace => ({
    ...PLACE,
    todo: { ...READY, discharge },
    uncleaned: [],
    next,
  });
  const idsOf = (of: RoundPlace) =>
    roundSteps(steps, of, (added) => ({ id: added.id, detail: added.detail })).map((s) => s.id);

  it('begins with the part itself: off, discharged and read cold once for all', () => {
    expect(idsOf(place(false, null))[0]).toBe('orientation');
    expect(idsOf(place(true, null)).slice(0, 4)).toEqual(['gate-power', 'discharge', 'static', 'baseline']);
  });

  it('has its capacitors discharged though the run began with a part that holds no charge', () => {
    const first = steps.filter(({ id }) => id !== 'discharge');
    const made = roundSteps(first, place(true, null), ({ id, detail }) => ({ id, detail })).map((s) => s.id);
    expect(made.slice(0, 3)).toEqual(['gate-power', 'discharge', 'static']);
  });

  it('is looked at and read before the next one is begun; the cleaning of all comes at the end', () => {
    const ids = idsOf(place(false, { ref: 'C3', value: '10 µF' }));
    expect(ids.indexOf('fit-inspect')).toBeLessThan(ids.indexOf('pause'));
    expect(ids.indexOf('fit-meter')).toBeLessThan(ids.indexOf('pause'));
    expect(ids.indexOf('clean')).toBeGreaterThan(ids.indexOf('pause'));
  });
});
