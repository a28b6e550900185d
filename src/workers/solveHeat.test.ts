import { describe, expect, it } from 'vitest';
import { airAsk } from '../../tests/support/airField';
import type { FieldBandAnswer } from '~/schema/exchange/simulate/fieldBand';
import { solveHeat } from './solveHeat';

const hot = airAsk();

describe('the band of a hot-air run in the worker', () => {
  const streamed: FieldBandAnswer[] = [];
  let pauses = 0;
  const steps = solveHeat({ kind: 'field-band', ask: hot, draws: 6, seed: 2 });
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
    const soak_s = hot.setting.preheat!.soak_s;
    expect(soak_s).toBe(120);
    expect(last.lastMelt_s.p50!).toBeGreaterThan(0);
    expect(last.lastMelt_s.p50!).toBeLessThan(2 * hot.airOn_s);
    expect(last.lastMelt_s.p10!).toBeLessThanOrEqual(last.lastMelt_s.p90!);
  });
});
