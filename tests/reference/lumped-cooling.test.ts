import { describe, expect, it } from 'vitest';
import { boardTemperature_K, soaked } from '~/core/thermal/preheat';
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
      expect(Math.abs(run.recorded.history_K(0)[i]! - (300 + 100 * Math.exp(-time_s / 4)))).toBeLessThan(0.1);
    });
  });

  it('a thin board over warm air rises along the same law while its losses are small', () => {
    // Warm air's film is constant; still air above is read at the settled board, where it is largest.
    const preheat = { kind: 'convective', setpoint_K: 330, soak_s: 60 } as const;
    const { work, far } = soaked(FOUR_LAYER, preheat, 296.15);
    const [gain, loss] = [far.film_W_m2K, work.film_W_m2K];
    const settled_K = (gain * 330 + loss * 296.15) / (gain + loss);
    const share = -Math.expm1((-(gain + loss) * 60) / arealHeat_J_m2K(FOUR_LAYER));
    const wanted_K = 296.15 + (settled_K - 296.15) * share;
    expect(Math.abs(boardTemperature_K(FOUR_LAYER, preheat, 296.15) - wanted_K)).toBeLessThan(1);
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
      return Math.abs(run.recorded.history_K(0).at(-1)! - (300 + 100 * Math.exp(-1.6)));
    };
    const order = Math.log2(error(1e-3) / error(0.5e-3));
    expect(order).toBeGreaterThan(1.8);
    expect(order).toBeLessThan(2.3);
  });
});
