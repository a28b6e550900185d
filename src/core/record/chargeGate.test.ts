import { describe, expect, it } from 'vitest';
import { runStep, storyFrom } from '../../../tests/support/entries';
import { chargeRefusal, isChargeGate, SAFE_V } from './chargeGate';
import { refusal } from './refusal';
import { runState } from './runState';

describe('stored charge before hands go near it', () => {
  const steps = [runStep('gate-stored-charge', { kind: 'gate' }), runStep('flux')];
  const at = runState(steps, storyFrom(0, { kind: 'opened' }));
  const done = (left_V?: number, again_V?: number) =>
    ({ kind: 'step-done', stepId: 'gate-stored-charge', left_V, again_V }) as const;

  // Rule broken: a gate that only asks whether it was done lets a charged unit by.
  it('is measured, and nothing goes on from the limit of hazardous voltage up', () => {
    expect(refusal(at, steps, done())).toMatch(/nothing was measured/);
    expect(refusal(at, steps, done(SAFE_V))).toMatch(/60 V are left; discharge again/);
    expect(refusal(at, steps, done(-310))).toMatch(/-310 V are left/);
    expect(refusal(at, steps, done(3.2, 4))).toBeNull();
  });

  // Rule broken: one reading right after the resistor is taken off misses what the dielectric gives back.
  it('is measured twice: what came back up counts', () => {
    expect(refusal(at, steps, done(3.2))).toMatch(/measured once; reservoirs come back up/);
    expect(refusal(at, steps, done(3.2, 71))).toMatch(/came back to 71 V/);
  });

  it('is passed on someone’s word alone with a reason, as every gate', () => {
    const passed = { kind: 'override', reason: 'no meter reaches it; shorted by its own bleeder' } as const;
    expect(refusal(at, steps, { ...done(), passed })).toBeNull();
  });

  it('is asked at no other step', () => {
    expect(isChargeGate('discharge')).toBe(false);
    expect(isChargeGate(undefined)).toBe(false);
    expect(chargeRefusal(0, 0)).toBeNull();
  });
});
