import { describe, expect, it } from 'vitest';
import { partOf } from '~/schema/exchange/si/part';
import { anyPackage } from '~/schema/values/package';
import { inPhase, planRequest, planeOn, surfaceRequest, trackOn } from '../../../../tests/support/samples';
import { planOf } from '../../../../tests/support/solve';
import { padOrder } from '../request';
import type { PadStateId } from '~/core/record/padStates';
import { workOf } from '../../../../tests/support/works';
import { methodOf } from '../ways';
import { stepsFor } from './frame';
import { pinsInWords } from './heatSteps';
import { oppositeOf, sidesOf, strokeLength_m } from './sides';

const part = (given: Record<string, unknown>) => partOf(anyPackage.parse(given));
const names = (pins: number) => Array.from({ length: pins }, (_, i) => String(i + 1));

describe('sides of a pack', () => {
  it.each([
    ['qfp', { family: 'qfp', pins: 100, pitch_mm: 0.5 }, 100, [25, 25, 25, 25]],
    ['soic', { family: 'soic', pins: 8 }, 8, [4, 4]],
    ['soj', { family: 'soj', pins: 28 }, 28, [14, 14]],
  ])('%s', (_name, given, pins, sides) => {
    expect(sidesOf(part(given), names(pins)).map((side) => side.length)).toEqual(sides);
  });

  it('a stroke is as long as its row, and the far corner is the far corner', () => {
    const qfp = part({ family: 'qfp', pins: 100, pitch_mm: 0.5 });
    expect(strokeLength_m(qfp, names(25))).toBeGreaterThan(24 * 0.5e-3);
    expect(strokeLength_m(qfp, names(25))).toBeLessThan(26 * 0.5e-3);
    const soic = part({ family: 'soic', pins: 8 });
    expect(oppositeOf(soic, '1', names(8))).toBe('5');
  });

  it('pins are said as people say them', () => {
    expect(pinsInWords(['4'])).toBe('pin 4');
    expect(pinsInWords(names(8))).toBe('pins 1 to 8');
    expect(pinsInWords(['1', '3', '4', '5', '9'])).toBe('5 pins, 1 to 9');
  });
});

describe('presses that a hand has', () => {
  const heats = (steps: readonly { kind: string; title: string }[]) =>
    steps.filter((s) => s.kind === 'heat').map((s) => s.title);

  it('a pack is held at two opposite corners, then one stroke a side (common practice)', () => {
    const request = surfaceRequest({ family: 'soic', pins: 16 }, { goal: 'fit' });
    const found = planOf({ ...request, stations: [] });
    if (found.outcome !== 'found') throw new Error(found.outcome);
    const titles = heats(found.steps);
    expect(titles.slice(0, 2)).toEqual(['Anchor pin 1', 'Anchor pin 9']);
    expect(titles.length).toBeLessThanOrEqual(6);
    const look = found.steps.findIndex((s) => s.title === 'Look again');
    expect(found.steps[look]!.detail).toMatch(/Pins 1, 9 hold the part/);
    expect(found.steps.findIndex((s) => /^Anchor pin 9/.test(s.title))).toBeLessThan(look);
  });
});

describe('strokes have one clock a side', () => {
  // Rule broken: findings M16 (plan), a QFP-100 whose leads were cut had a hundred clocks.
  it('feet of cut leads are wiped side by side, those of hurt lands one by one', () => {
    const request = surfaceRequest({ family: 'qfp', pins: 100 }, { goal: 'remove-sacrifice-part' });
    const heats = (states: Record<string, PadStateId>) => {
      const asked = inPhase({ ...request, site: { ...request.site, padStates: states } });
      return stepsFor([workOf(asked, methodOf('cut-leads'), null)!]).filter((s) => s.kind === 'heat');
    };
    expect(heats({}).map((s) => s.stroke.length)).toEqual([25, 25, 25, 25]);
    const [one, ...sides] = heats({ '7': 'lifted' }).reverse();
    expect([one!.pad, one!.stroke]).toEqual(['7', []]);
    expect(sides.flatMap((s) => s.stroke)).toHaveLength(99);
  });
});

describe('damage counts (common practice: hurt lands last, no force on them)', () => {
  const request = (state: 'lifted' | 'sound') => {
    const made = planRequest({ '1': [trackOn(4)], '2': [planeOn(2)] });
    return { ...made, site: { ...made.site, padStates: { '1': state } } };
  };

  it('a lifted land is heated last, though its pin is on a track', () => {
    expect(padOrder(inPhase(request('lifted')))).toEqual(['2', '1']);
    expect(padOrder(inPhase(request('sound')))).toEqual(['1', '2']);
  });

  it('changes the way, the stop and the words of its heat, and adds its repair and its reading', () => {
    const found = planOf({ ...request('lifted'), goal: 'replace' });
    const whole = planOf({ ...request('sound'), goal: 'replace' });
    if (found.outcome !== 'found' || whole.outcome !== 'found') throw new Error('no plan');
    const methods = found.phases[0].methods;
    for (const id of ['gun', 'leg-at-a-time'])
      expect(methods.find((m) => m.method.id === id)?.reasons.join(' ')).toMatch(/pin 1 is damaged/);
    const heat = found.steps.find((s) => s.kind === 'heat' && s.pad === '1' && s.phase === 'remove')!;
    expect(heat.detail).toMatch(/lifted.*no sideways force, no suction/);
    const ids = found.steps.map((s) => s.id);
    expect(ids).toContain('fit-mend-1');
    expect(ids.indexOf('fit-mend-1')).toBeLessThan(ids.indexOf('fit-seat'));
    expect(ids).toContain('fit-read-lands');
    expect(whole.steps.map((s) => s.id)).not.toContain('fit-mend-1');
  });
});
