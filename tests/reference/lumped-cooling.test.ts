import { describe, expect, it } from 'vitest';
import { PREHEATERS, STILL_AIR } from '~/core/materials/air';
import { boardTemperature_K } from '~/core/thermal/preheat';
import { arealHeat_J_m2K } from '~/core/thermal/stackup';
import { integrate } from '~/core/thermal/network/integrate';
import { NetworkBuilder } from '~/core/thermal/network/network';
import { FOUR_LAYER } from '../support/samples';

/** Lumped capacitance, θ/θᵢ = exp(−t/τ), τ = C/G. Source: Incropera, Fundamentals, ch. 5.1. */
describe('lumped cooling (Incropera ch. 5)', () => {
  it('cools one lump along the exponential to 0.1 % of its start', () => {
    const net = new NetworkBuilder();
    const lump = net.node(2, 400);
    net.toAir(lump, 0.5, 300);
    const run = integrate(net.done(), { duration_s: 12, tracked: [lump], maxStep_s: 0.1 });
    run.time_s.forEach((time_s, i) => {
      expect(Math.abs(run.tracked_K[0]![i]! - (300 + 100 * Math.exp(-time_s / 4)))).toBeLessThan(0.1);
    });
  });

  it('warms the preheated board along the same law, between air above and preheater below', () => {
    const soak_s = 120;
    const { film } = PREHEATERS.convective;
    const loss = STILL_AIR.boardTop.value;
    const settled_K = (film.value * 423.15 + loss * 296.15) / (film.value + loss);
    const wanted_K =
      settled_K +
      (296.15 - settled_K) * Math.exp((-(film.value + loss) * soak_s) / arealHeat_J_m2K(FOUR_LAYER));
    const got_K = boardTemperature_K(FOUR_LAYER, { kind: 'convective', setpoint_K: 423.15, soak_s }, 296.15);
    expect(got_K).toBeCloseTo(wanted_K, 6);
  });

  it('halving the step divides the error by about four: the method is second order', () => {
    const error = (step_s: number): number => {
      const net = new NetworkBuilder();
      const lump = net.node(0.01, 400);
      net.toAir(lump, 1, 300);
      const run = integrate(net.done(), {
        duration_s: 0.016,
        tracked: [lump],
        maxStep_s: step_s,
        tolerance_K: Infinity,
      });
      return Math.abs(run.tracked_K[0]!.at(-1)! - (300 + 100 * Math.exp(-1.6)));
    };
    const order = Math.log2(error(1e-3) / error(0.5e-3));
    expect(order).toBeGreaterThan(1.8);
    expect(order).toBeLessThan(2.3);
  });
});
