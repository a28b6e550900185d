import { describe, expect, it } from 'vitest';
import { AIR_CHOICE as AIR, BENCH_SHEET as BENCH, HAND_CHOICE as HAND } from '../../../tests/support/choices';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';
import { adjusted, STANDOFF_mm } from './adjust';
import type { PlanCommand } from './commands';

const after = (choice: ChoiceInput, ...commands: PlanCommand[]) =>
  commands.reduce<ChoiceInput | null>((at, command) => adjusted(at, command, BENCH), choice)?.setting;

describe('what a key changes on a tool in the hand', () => {
  it('turns the station in steps of 10 °C, and no further than it goes; pins of their own turn along', () => {
    expect(after(HAND, 'cooler')).toMatchObject({ setpoint_C: 430, perPad_C: { '2': 435 } });
    expect(after(HAND, 'hotter', 'hotter')).toMatchObject({ setpoint_C: 450, perPad_C: { '2': 450 } });
  });

  it('takes the next tip, and after the last the first', () => {
    expect(after(HAND, 'next-tip')).toMatchObject({ tip: { shape: 'bevel', width_mm: 3 } });
    expect(after(HAND, 'next-tip', 'next-tip')).toEqual(HAND.setting);
  });

  it('switches flux, solder and the warm board, and back', () => {
    expect(after(HAND, 'flux')).toMatchObject({ fluxed: false });
    expect(after(HAND, 'solder')).toMatchObject({ freshSolder: false });
    expect(after(HAND, 'warm')).toMatchObject({ preheat: BENCH.preheat });
    expect(after(HAND, 'warm', 'warm')).toEqual(HAND.setting);
  });

  it.each<PlanCommand>(['more-flow', 'less-flow', 'nearer', 'farther', 'foil'])(
    '%s is nothing to it',
    (key) => {
      expect(adjusted(HAND, key, BENCH)).toBeNull();
    },
  );
});

describe('what a key changes on hot air', () => {
  it('air, flow and stand-off move within what station and hand can do', () => {
    expect(after(AIR, 'hotter')).toMatchObject({ setpoint_C: 390 });
    expect(after(AIR, 'more-flow')).toMatchObject({ flow_L_min: 120 });
    expect(after(AIR, 'less-flow')).toMatchObject({ flow_L_min: 113 });
    expect(after(AIR, 'farther', 'farther')).toMatchObject({ standoff_mm: 10 });
    const nearest = Array.from({ length: 20 }, () => 'nearer' as const);
    expect(after(AIR, ...nearest)).toMatchObject({ standoff_mm: STANDOFF_mm[0] });
  });

  it('takes the next nozzle and foil', () => {
    expect(after(AIR, 'next-tip')).toMatchObject({ nozzle: { width_mm: 12, height_mm: 12 } });
    expect(after(AIR, 'foil')).toMatchObject({ shielded: true });
  });

  it.each<PlanCommand>(['flux', 'solder'])('%s is nothing to it', (key) => {
    expect(adjusted(AIR, key, BENCH)).toBeNull();
  });
});

describe('a key that finds nothing to change', () => {
  it('changes nothing: no choice, no such tool, no preheater', () => {
    expect(adjusted(null, 'hotter', BENCH)).toBeNull();
    expect(adjusted(HAND, 'hotter', { ...BENCH, tools: [] })).toBeNull();
    expect(adjusted(AIR, 'more-flow', { ...BENCH, stations: [] })).toBeNull();
    expect(adjusted(HAND, 'warm', { ...BENCH, preheat: null })).toBeNull();
    expect(adjusted(HAND, 'accept', BENCH)).toBeNull();
  });
});
