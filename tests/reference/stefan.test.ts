import erf from '@stdlib/math-base-special-erf';
import { describe, expect, it } from 'vitest';
import { integrate } from '~/core/thermal/network/integrate';
import { NetworkBuilder } from '~/core/thermal/network/network';

/**
 * Two-phase Stefan problem: a half-space at T₀ below melting, its face held above it. The front moves
 * as s = 2λ√(α_l t), with λ from Neumann's equation. Source: Carslaw & Jaeger §11.2 (Neumann solution).
 */
describe('melting front by the enthalpy method (Neumann, two-phase Stefan)', () => {
  const alloy = { density: 8400, heatSolid: 180, heatLiquid: 215, latent: 40_000, kSolid: 50, kLiquid: 25 };
  const melt_K = 456.15;
  const face_K = 540;
  const start_K = 380;

  const alphaSolid = alloy.kSolid / (alloy.density * alloy.heatSolid);
  const alphaLiquid = alloy.kLiquid / (alloy.density * alloy.heatLiquid);
  const lambda = bisect((x) => {
    const nu = Math.sqrt(alphaLiquid / alphaSolid);
    const liquid = (alloy.heatLiquid * (face_K - melt_K)) / (alloy.latent * Math.exp(x * x) * erf(x));
    const solid =
      (alloy.heatSolid * (melt_K - start_K)) /
      (nu * alloy.latent * Math.exp(nu * nu * x * x) * (1 - erf(nu * x)));
    return liquid - solid - x * Math.sqrt(Math.PI);
  });

  /** Times at which the front passes each of a row of equal cells. */
  function frontTimes(cells: number, length_m: number, duration_s: number): Float64Array {
    const dx = length_m / cells;
    const net = new NetworkBuilder();
    let before = -1;
    for (let i = 0; i < cells; i++) {
      const mass = alloy.density * dx;
      const node = net.solder(
        {
          solidus_K: melt_K,
          liquidus_K: melt_K,
          capacitySolid_J_K: mass * alloy.heatSolid,
          capacityLiquid_J_K: mass * alloy.heatLiquid,
          latent_J: mass * alloy.latent,
        },
        start_K,
      );
      if (before >= 0) net.link(before, node, alloy.kSolid / dx, alloy.kLiquid / dx);
      else net.toAir(node, (2 * alloy.kLiquid) / dx, face_K);
      before = node;
    }
    return integrate(net.done(), { duration_s, tracked: [], tolerance_K: 1, maxStep_s: duration_s / 400 })
      .liquidus_s;
  }

  const errorOfFront = (cells: number): number => {
    const length_m = 24e-3;
    const times = frontTimes(cells, length_m, 1.2);
    const dx = length_m / cells;
    const errors: number[] = [];
    times.forEach((time_s, i) => {
      // A cell is wholly liquid when the front leaves it.
      const front_m = (i + 1) * dx;
      if (!Number.isNaN(time_s) && front_m > 1e-3 && front_m < 3e-3) {
        errors.push(Math.abs(2 * lambda * Math.sqrt(alphaLiquid * time_s) - front_m) / front_m);
      }
    });
    return errors.reduce((a, b) => a + b, 0) / errors.length;
  };

  it('follows the front within 4 % on 120 cells, and closer on 240', () => {
    const coarse = errorOfFront(120);
    const fine = errorOfFront(240);
    expect(coarse).toBeLessThan(0.04);
    expect(fine).toBeLessThan(0.7 * coarse);
  });
});

function bisect(f: (x: number) => number): number {
  let [low, high] = [1e-6, 3];
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (f(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
