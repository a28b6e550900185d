import { describe, expect, it } from 'vitest';
import { HOT_AIR_EXAMPLE, SIMULATE_EXAMPLE } from '../../tests/support/requests';
import { parseInput } from '~/schema/values/faults';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';
import type { FieldBandAnswer } from '~/schema/exchange/simulate/fieldBand';
import { solveHeat } from './solveHeat';

const hot = parseInput(simulateInput, { ...HOT_AIR_EXAMPLE, grid_mm: 5 });

describe('the band of a hot-air run in the worker', () => {
  const streamed: FieldBandAnswer[] = [];
  let pauses = 0;
  const steps = solveHeat({ kind: 'field-band', input: hot, draws: 6, seed: 2 });
  let next = steps.next();
  while (!next.done) {
    if (next.value.stage === 'field-band' && next.value.band) streamed.push(next.value.band);
    else pauses++;
    next = steps.next();
  }
  const last = next.value as FieldBandAnswer;

  it('streams one value a draw and may be stopped within one', () => {
    expect(streamed.map((band) => band.draws)).toEqual([1, 2, 3, 4, 5]);
    expect(last.draws).toBe(6);
    expect(pauses).toBeGreaterThan(6);
  });

  it('counts its times from the air, as the picture does', () => {
    const soak_s = hot.preheat!.soak_s;
    expect(soak_s).toBe(120);
    expect(last.lastMelt_s.p50!).toBeGreaterThan(0);
    expect(last.lastMelt_s.p50!).toBeLessThan(hot.duration_s);
    expect(last.lastMelt_s.p10!).toBeLessThanOrEqual(last.lastMelt_s.p90!);
  });

  it('refuses a load that has no board scale', () => {
    const iron = parseInput(simulateInput, SIMULATE_EXAMPLE);
    expect(() => solveHeat({ kind: 'field-band', input: iron, draws: 2, seed: 1 }).next()).toThrow(/iron/);
  });
});
