import { describe, expect, it } from 'vitest';
import { kelvin } from '~/core/quantity/convert';
import type { FieldRun } from '~/core/thermal/field/run';
import { neighbourLimit } from '../limits/neighbours';
import { AIR } from '../settings';
import { liftWindow } from './liftWindow';

/** A run of 100 s in steps of one, told by what each place does. */
const TIME_s = Float64Array.from({ length: 101 }, (_, i) => i);
const rising = (from_C: number, perSecond: number): Float64Array =>
  TIME_s.map((t) => kelvin(from_C + perSecond * t));
const pad = (name: string, fullMelt_s: number | null, history_K: Float64Array, ref = 'U1') => ({
  ref,
  pad: name,
  fullMelt_s,
  history_K,
});
const body = (ref: string, limit_C: number, history_K: Float64Array) => ({
  ref,
  limit_K: kelvin(limit_C),
  history_K,
});
const run = (parts: { pads: object[]; bodies: object[] }): FieldRun =>
  ({ time_s: TIME_s, ...parts }) as unknown as FieldRun;

const U1 = { ref: 'U1', alloy: 'sn63pb37' as const };
const R1 = neighbourLimit({ ref: 'R1', alloy: 'sn63pb37' });
const MELTED = [pad('1', 30, rising(23, 6)), pad('2', 41, rising(23, 4.2))];
const COLD = [body('U1', 245, rising(23, 1)), body('R1', 260, rising(23, 0.5))];

describe('the lift window', () => {
  it('opens when the last pad is molten and settled', () => {
    const window = liftWindow(run({ pads: MELTED, bodies: COLD }), U1, [R1])!;
    expect(window.from_s).toBe(41 + AIR.settle_s);
    expect(window).toMatchObject({ to_s: null, because: 'no limit is met while the run lasts' });
  });

  it('is none while any pad stays solid', () => {
    const pads = [...MELTED, pad('3', null, rising(23, 1))];
    expect(liftWindow(run({ pads, bodies: COLD }), U1, [])).toBeNull();
  });

  it('closes at the part’s own limit', () => {
    const bodies = [body('U1', 123, rising(23, 2)), COLD[1]!];
    const window = liftWindow(run({ pads: MELTED, bodies }), U1, [R1])!;
    expect(window.to_s).toBeCloseTo(50, 6);
    expect(window.because).toBe('U1 reaches its limit of 123 °C');
  });

  it('closes when a neighbour’s body passes 200 °C, or its joint nears its melt, whichever is first', () => {
    const warm = [COLD[0]!, body('R1', 260, rising(23, 2.95))];
    const byBody = liftWindow(run({ pads: MELTED, bodies: warm }), U1, [R1])!;
    expect(byBody.because).toBe('R1 reaches 200 °C');
    expect(byBody.to_s).toBeCloseTo(60, 6);
    const joint = pad('1', null, rising(23, 3.5), 'R1');
    const byJoint = liftWindow(run({ pads: [...MELTED, joint], bodies: warm }), U1, [R1])!;
    expect(byJoint.because).toMatch(/^a joint of R1 nears its melt, 163 °C$/);
    expect(byJoint.to_s).toBeCloseTo(40, 6);
  });

  it('does not mind a neighbour that comes off in the same heat', () => {
    const warm = [COLD[0]!, body('R1', 260, rising(23, 3))];
    const free = neighbourLimit({ ref: 'R1', alloy: 'sn63pb37', comesToo: true });
    expect(liftWindow(run({ pads: MELTED, bodies: warm }), U1, [free])!.to_s).toBeNull();
  });

  it('closes when a molten pad falls back under liquidus, read between steps', () => {
    const cooling = TIME_s.map((t) => kelvin(t <= 60 ? 200 : 200 - 2 * (t - 60)));
    const pads = [pad('1', 30, cooling), pad('2', 41, rising(23, 4.2))];
    const window = liftWindow(run({ pads, bodies: COLD }), U1, [])!;
    // 183 °C is 17 K under 200 °C.
    expect(window.to_s).toBeCloseTo(68.5, 6);
    expect(window.because).toBe('pad 1 sets again');
  });
});
