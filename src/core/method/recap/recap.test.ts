import { describe, expect, it } from 'vitest';
import { planRequest, reliefOn, trackOn } from '../../../../tests/support/samples';
import { PLAN } from '../settings';
import { areasOf } from './areas';
import { coolingWait_s, sequences, type Sequence, type Warmth } from './sequence';
import { recap } from './plan';
import type { RecapAsk, RecapSite } from './site';

const refsIn = ({ legs }: Sequence): string[] => legs.map((leg) => leg.ref);

function drained(asks: readonly RecapAsk[]) {
  const steps = recap(asks);
  const counts: number[] = [];
  let next = steps.next();
  while (!next.done) {
    if (next.value.stage === 'search') counts.push(next.value.done);
    next = steps.next();
  }
  return { plan: next.value, counts };
}

/** Capacitors of two values in two corners of a board, one of each in either. */
const asks: RecapAsk[] = [
  ['C1', '10 µF', 0.02],
  ['C2', '47 µF', 0.03],
  ['C3', '10 µF', 0.12],
  ['C4', '47 µF', 0.13],
].map(([ref, value, x_m]) => {
  const request = planRequest({ '1': [trackOn(4)], '2': [reliefOn(2)] });
  return {
    value: value as string,
    request: {
      ...request,
      site: { ...request.site, ref: ref as string, x_m: x_m as number, clinched: ref === 'C1' },
    },
  };
});

describe('a whole-board job', () => {
  const { plan, counts } = drained(asks);

  it('plans every site off and on, tells its progress, and names its plane pins', () => {
    expect(plan.sites.every((s) => s.work !== null)).toBe(true);
    expect(counts.at(-1)).toBe(4);
    expect(plan.sites[0]!.planePins.map((p) => p.pad)).toEqual(['2']);
    expect(plan.sites[0]!.clinched).toBe(true);
  });

  it('value by value opens each tray once, area by area takes up each area once', () => {
    expect(refsIn(plan.byValue)).toEqual(['C1', 'C3', 'C2', 'C4']);
    expect(refsIn(plan.byArea)).toEqual(['C1', 'C2', 'C3', 'C4']);
    expect([plan.byValue.trays, plan.byValue.areaVisits]).toEqual([2, 4]);
    expect([plan.byArea.trays, plan.byArea.areaVisits]).toEqual([4, 2]);
  });

  it('value by value has fewest mix-ups, area by area fewest re-heats (common practice)', () => {
    expect(plan.byValue.mixUps).toBeLessThan(plan.byArea.mixUps);
    expect(plan.byArea.soaks).toBeLessThanOrEqual(plan.byValue.soaks);
    expect(plan.byValue.heat_s).toBeCloseTo(plan.byArea.heat_s, 9);
  });

  it('has a pick list by value, with what goes into the same holes', () => {
    expect(plan.picks.map((p) => [p.value, p.refs, p.lookAlikes])).toEqual([
      ['10 µF', ['C1', 'C3'], ['47 µF']],
      ['47 µF', ['C2', 'C4'], ['10 µF']],
    ]);
  });

  it('its time in all is the sum of what it shows, drying once and not twenty times', () => {
    for (const { legs, before_s, after_s, total_s } of [plan.byValue, plan.byArea]) {
      const shown_s = legs.map((leg) => {
        const parts_s = leg.move_s + leg.tray_s + leg.station_s + leg.soak_s + leg.wait_s + leg.own_s;
        expect(parts_s).toBe(leg.total_s);
        expect(parts_s % 6).toBe(0);
        return parts_s;
      });
      expect(shown_s.reduce((a, b) => a + b, before_s + after_s)).toBe(total_s);
      expect(after_s).toBeLessThanOrEqual(2 * PLAN.underPartDry_s);
    }
  });

  it('sets each station once where no setting changes', () => {
    const tools = new Set(
      plan.sites.flatMap(({ work }) =>
        [work!.off!, work!.on].map(({ setting }) => (setting.kind === 'hand' ? setting.tool.id : '')),
      ),
    );
    expect(plan.byValue.stations).toBe(tools.size);
  });

  it('a part that is off is only fitted', () => {
    const [, , bare] = asks.map((ask) => ({
      ...ask,
      request: { ...ask.request, goal: 'fit' as const, site: { ...ask.request.site, undressed: true } },
    }));
    const { work } = drained([bare!]).plan.sites[0]!;
    expect(work!.off).toBeNull();
    expect(work!.on.minutes).toBeGreaterThan(0);
  });
});

describe('waits and areas', () => {
  const warm: Warmth = { rise_K: (d) => (d < 5e-3 ? 80 : 10), constant_s: 100, ambient_K: 296.15 };

  it('a neighbour at 80 K over the room waits τ ln(80/32) until 55 °C, a far one not at all', () => {
    expect(coolingWait_s(3e-3, warm)).toBeCloseTo(100 * Math.log(80 / 32), 6);
    expect(coolingWait_s(10e-3, warm)).toBe(0);
  });

  it('gathers what lies within 25 mm of a first one', () => {
    const at = (ref: string, x_m: number): RecapSite => ({
      ref,
      value: '',
      x_m,
      y_m: 0,
      work: null,
      clinched: false,
      planePins: [],
      needsPreheat: false,
    });
    const area = areasOf([at('a', 0), at('b', 0.02), at('c', 0.04)]);
    expect([area.get('a'), area.get('b'), area.get('c')]).toEqual([0, 0, 1]);
  });

  it('nothing that can be worked makes empty orders', () => {
    const [byValue, byArea] = sequences([], warm);
    expect([refsIn(byValue), refsIn(byArea), byValue.mixUps]).toEqual([[], [], 0]);
  });
});
