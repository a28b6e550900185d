import { describe, expect, it } from 'vitest';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { integrate } from '~/core/thermal/network/integrate';
import { NetworkBuilder } from '~/core/thermal/network/network';
import { RingBuilder, ringMesh } from '~/core/thermal/joint/rings';
import { NOMINAL } from '~/core/thermal/joint/scenario';
import { heatIntoSlab_J_K } from './independent/slab';

/**
 * Carslaw & Jaeger, Conduction of Heat in Solids, §8.2: an isothermal disc of radius a on a half-space
 * meets 1/(4 k a). Laminate conducts better along than through; stretching its depth by √(k∥/k⊥) makes
 * that 1/(4 a √(k∥ k⊥)). A cold shell at radius R takes 1/(2π R √(k∥ k⊥)) off it.
 */

const { conductivityInPlane, conductivityThrough } = LAMINATES['fr4-standard'];
const MEAN_W_mK = Math.sqrt(conductivityInPlane.value * conductivityThrough.value);
const STRETCH = Math.sqrt(conductivityInPlane.value / conductivityThrough.value);

const DISC_K = 400;
const COLD_K = 300;
/** Far better than any path through laminate, W/K. */
const HELD_W_K = 1e4;

const bare = { thickness_m: 35e-6, coverage: 0 };

/** A land with next to no hole in its middle on a bare board, by the joint model's own rings and sheets. */
function landOn(
  thickness_m: number,
  side_m: number,
  landRadius_m: number,
  net: NetworkBuilder,
  rings?: number,
) {
  const board = {
    length_m: side_m,
    width_m: side_m,
    thickness_m,
    laminate: 'fr4-standard',
    copper: [bare, bare],
  } as const;
  const still = { film_W_m2K: 1e-9, air_K: COLD_K };
  const around = { board_K: COLD_K, nearFilm: still, farFilm: still, ironOnTop: true };
  const mesh = ringMesh(
    { board, connections: [] },
    { barrelRadius_m: 0.05 * landRadius_m, landRadius_m },
    true,
    NOMINAL,
    rings,
  );
  return new RingBuilder(net, { board, connections: [] }, around, mesh, NOMINAL).close([]);
}

/** Resistance from a land to a cold shell about it, once everything is at rest, K/W. */
function resistance_K_W(landRadius_m: number, shell_m: number): number {
  const net = new NetworkBuilder();
  const rings = landOn(shell_m / STRETCH, shell_m * Math.sqrt(Math.PI), landRadius_m, net);
  const shell = new Set([...rings.node.at(-1)!, ...rings.node.map((ring) => ring.at(-1)!)]);
  for (const node of shell) net.toAir(node, HELD_W_K, COLD_K);
  const land = rings.node[0]![0]!;
  net.toAir(land, HELD_W_K, DISC_K);

  const run = integrate(net.done(), { duration_s: 1e7, maxStep_s: 1e6, tracked: [land, ...shell] });
  const [land_K, ...shells_K] = Array.from({ length: run.recorded.tracked }, (_, i) =>
    run.recorded.last_K(i),
  );
  const flow_W = shells_K.reduce((sum, t) => sum + HELD_W_K * (t - COLD_K), 0);
  return (land_K! - COLD_K) / flow_W;
}

/** The same shell close by, so that even a deep board has sheets for it. */
const SHELL_m = 4e-3;

const halfSpace_K_W = (radius_m: number): number =>
  (1 / (4 * radius_m) - 1 / (2 * Math.PI * SHELL_m)) / MEAN_W_mK;

describe('a land on bare laminate: disc on a half-space (Carslaw & Jaeger §8.2)', () => {
  it('meets 1/(4 k a) within a tenth on the mesh that plans are made with', () => {
    for (const radius_m of [0.5e-3, 0.7e-3, 0.9e-3]) {
      const ratio = resistance_K_W(radius_m, SHELL_m) / halfSpace_K_W(radius_m);
      expect(ratio, `radius ${radius_m} m`).toBeGreaterThan(0.9);
      expect(ratio, `radius ${radius_m} m`).toBeLessThan(1.1);
    }
  });
});

describe('a land that is heated at once, against the slab in r and z', () => {
  const { volumetricHeat } = LAMINATES['fr4-standard'];
  const TIMES_s = [0.25, 0.5, 1, 2, 5];
  for (const [radius_mm, thickness_mm] of [
    [0.9, 1.6],
    [0.6, 1.6],
    [0.9, 0.8],
    [1.4, 2.4],
  ] as const) {
    it(`takes up what it should, within 8 % from a second on: land of ${2 * radius_mm} mm, ${thickness_mm} mm`, () => {
      const [radius_m, thickness_m] = [radius_mm * 1e-3, thickness_mm * 1e-3];
      const wanted = heatIntoSlab_J_K(
        {
          disc_m: radius_m,
          radius_m: 14e-3,
          thickness_m,
          inPlane_W_mK: conductivityInPlane.value,
          through_W_mK: conductivityThrough.value,
          heat_J_m3K: volumetricHeat.value,
        },
        TIMES_s,
      );
      const net = new NetworkBuilder();
      const rings = landOn(thickness_m, 28e-3 * Math.sqrt(Math.PI / 4), radius_m, net);
      const land = rings.node[0]![0]!;
      net.toAir(land, HELD_W_K, DISC_K);
      const network = net.done();
      // What the land's copper holds is not the laminate's.
      const own_J_K = Math.PI * radius_m ** 2 * bare.thickness_m * COPPER.volumetricHeat.value;
      TIMES_s.forEach((duration_s, i) => {
        const { energy } = integrate(network, {
          duration_s,
          tracked: [land],
          maxStep_s: 0.01,
          tolerance_K: 0.5,
        });
        const ratio = (energy.stored_J / (DISC_K - COLD_K) - own_J_K) / wanted[i]!;
        if (process.env['SHOW']) console.log('ratio', radius_mm, thickness_mm, duration_s, ratio.toFixed(3));
        const within = duration_s < 0.5 ? 0.17 : duration_s < 1 ? 0.12 : 0.08;
        expect(Math.abs(ratio - 1), `${duration_s} s`).toBeLessThan(within);
      });
    });
  }
});
