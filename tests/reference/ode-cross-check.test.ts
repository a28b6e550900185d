import { describe, expect, it } from 'vitest';
import { enthalpyCurve, liquidShare } from '~/core/thermal/network/enthalpy';
import { buildJoint } from '~/core/thermal/joint/simulate';
import { integrate } from '~/core/thermal/network/integrate';
import type { ThermalNetwork } from '~/core/thermal/network/network';
import { SOLVER } from '~/core/thermal/network/settings';
import { Solver } from '../support/odex';
import { planeOn, scenario, trackOn } from '../support/samples';

/**
 * The same network by an independent integrator: Hairer and Wanner's extrapolation code ODEX (package
 * `odex`), on enthalpies. It holds melt-dependent conductances continuously where ours holds them
 * within a step, so the two agree to a kelvin and not to rounding.
 */
function byOdex(network: ThermalNetwork, duration_s: number): number[] {
  const curves = new Map(network.melting.map((m) => [m.node, enthalpyCurve(m, SOLVER.eutecticSmear_K)]));
  const temperature = (h: number, node: number): number => {
    const curve = curves.get(node);
    if (!curve) return h / network.capacity_J_K[node]!;
    const phase = h <= curve.solidus_J ? 0 : h < curve.liquidus_J ? 1 : 2;
    return (h - curve.offset[phase]) / curve.slope[phase];
  };
  const share = (t: number, node: number): number | null => {
    const curve = curves.get(node);
    return curve ? liquidShare(curve, t) : null;
  };
  const initial = Array.from(network.initial_K, (t, node) => {
    const curve = curves.get(node);
    return curve ? curve.slope[0] * t : network.capacity_J_K[node]! * t;
  });
  const solver = new Solver(network.size);
  solver.absoluteTolerance = 1e-7;
  solver.relativeTolerance = 1e-7;
  solver.maxSteps = 2_000_000;
  const answer = solver.solve(
    (x, h) => {
      const t = h.map((value, node) => temperature(value, node));
      const rate = new Array<number>(network.size).fill(0);
      // Fluxed touches only: what they let through is known from the time alone.
      const wetted = new Map(
        network.wettings.flatMap(({ edges, dryShare, over_s }) =>
          edges.map((edge) => [edge, Math.min(1, dryShare + ((1 - dryShare) * x) / over_s)] as const),
        ),
      );
      network.edges.forEach((edge, i) => {
        const melts = [share(t[edge.from]!, edge.from), share(t[edge.to]!, edge.to)].filter(
          (s) => s !== null,
        );
        const melt = melts.length ? melts.reduce((a, b) => a + b, 0) / melts.length : 0;
        const flow =
          (wetted.get(i) ?? 1) *
          (edge.solid_W_K + melt * (edge.liquid_W_K - edge.solid_W_K)) *
          (t[edge.from]! - t[edge.to]!);
        rate[edge.from]! -= flow;
        rate[edge.to]! += flow;
      });
      for (const a of network.ambient) rate[a.node]! -= a.conductance_W_K * (t[a.node]! - a.temperature_K);
      for (const heater of network.heaters) {
        const wanted = heater.gain_W_K * (heater.setpoint_K - t[heater.node]!);
        rate[heater.node]! += Math.min(heater.limit_W, Math.max(0, wanted));
      }
      return rate;
    },
    0,
    initial,
    duration_s,
  );
  return answer.y.map((h, node) => temperature(h, node));
}

describe('joint network against an independent ODE integrator (ODEX)', () => {
  for (const [name, joint, duration_s] of [
    ['heating a solid joint, 0.05 s', scenario(350, planeOn(2, 3)), 0.05],
    ['through melting on a track, 0.5 s', scenario(350, trackOn(4)), 0.5],
  ] as const) {
    it(name, () => {
      const { network } = buildJoint(joint);
      const wanted = byOdex(network, duration_s);
      const nodes = Array.from({ length: network.size }, (_, i) => i);
      const run = integrate(network, { duration_s, tracked: nodes, tolerance_K: 0.2 });
      const worst = Math.max(...nodes.map((i) => Math.abs(run.recorded.history_K(i).at(-1)! - wanted[i]!)));
      expect(worst).toBeLessThan(1);
    });
  }
});
