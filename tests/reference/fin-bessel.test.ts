import { besselk } from 'bessel';
import { describe, expect, it } from 'vitest';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { NOMINAL } from '~/core/thermal/joint/scenario';
import { RingBuilder, holeMesh } from '~/core/thermal/joint/rings';
import { integrate } from '~/core/thermal/network/integrate';
import { NetworkBuilder } from '~/core/thermal/network/network';
import { planeOn, scenario } from '../support/samples';

/**
 * Central heat into a wide convecting sheet: θ(r)/θ(r₀) = K₀(mr)/K₀(mr₀), heat q = 2πr₀ktmθ₀ K₁/K₀.
 * Source: Carslaw & Jaeger §5.1 with surface loss; Incropera, annular fins, ch. 3.6 with r₂ → ∞.
 * Bessel values: package `bessel` (good to about 1e-7).
 */
describe('fin theory: central heat into an infinite convecting sheet (K0, K1)', () => {
  const film_W_m2K = 20;
  const copper_m = 35e-6;
  const board = {
    length_m: 1.2,
    width_m: 1.2,
    thickness_m: 0.25e-3,
    laminate: 'fr4-standard' as const,
    copper: [
      { thickness_m: copper_m, coverage: 1 },
      { thickness_m: copper_m, coverage: 1 },
    ],
  };
  const plate = scenario(350, planeOn(1, 2), { board });
  const mesh = holeMesh(plate, false, NOMINAL);
  const net = new NetworkBuilder();
  const air = { film_W_m2K, air_K: 300 };
  const builder = new RingBuilder(
    net,
    plate,
    { board_K: 300, nearFilm: air, farFilm: air, ironOnTop: false },
    mesh,
    NOMINAL,
  );
  const hot = net.node(1e-3, 300);
  const links = mesh.sheets.map((_, sheet) => ({
    node: hot,
    sheet,
    sector: null,
    solid_W_K: 1e3,
    liquid_W_K: 1e3,
  }));
  const field = builder.close(links);
  // A strong tie to a fixed 400 K stands for the heated centre.
  net.toAir(hot, 1e4, 400);
  const network = net.done();
  const run = integrate(network, { duration_s: 3000, tracked: field.node.flat(), maxStep_s: 20 });

  const conduction_W_K =
    2 * COPPER.conductivity.value * copper_m +
    LAMINATES['fr4-standard'].conductivityInPlane.value * board.thickness_m;
  const m = Math.sqrt((2 * film_W_m2K) / conduction_W_K);
  const end = (ring: number): number => run.recorded.history_K(ring * mesh.sheets.length).at(-1)! - 300;

  it('follows K0 along the radius to 2 % of the centre (13 log-spaced rings)', () => {
    const r0 = field.radius_m[0]!;
    for (let ring = 1; ring < field.radius_m.length; ring++) {
      const wanted = besselk(m * field.radius_m[ring]!, 0) / besselk(m * r0, 0);
      expect(Math.abs(end(ring) / end(0) - wanted)).toBeLessThan(0.02);
    }
  });

  it('carries the heat that K1/K0 says, within 3 %', () => {
    const r0 = field.radius_m[0]!;
    const lost_W = field.node.reduce(
      (sum, _, ring) => sum + 2 * film_W_m2K * mesh.area_m2[ring]! * end(ring),
      0,
    );
    const wanted_W =
      2 * Math.PI * r0 * conduction_W_K * m * end(0) * (besselk(m * r0, 1) / besselk(m * r0, 0));
    expect(lost_W / wanted_W).toBeGreaterThan(0.97);
    expect(lost_W / wanted_W).toBeLessThan(1.03);
  });
});
