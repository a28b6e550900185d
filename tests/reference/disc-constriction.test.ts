import { describe, expect, it } from 'vitest';
import { LAMINATES } from '~/core/materials/laminates';
import { integrate } from '~/core/thermal/network/integrate';
import { NetworkBuilder } from '~/core/thermal/network/network';
import { RingBuilder, ringMesh } from '~/core/thermal/joint/rings';
import { NOMINAL } from '~/core/thermal/joint/scenario';
import { JOINT } from '~/core/thermal/joint/settings';

/**
 * Carslaw & Jaeger, Conduction of Heat in Solids, §8.2: an isothermal disc of radius a on a half-space
 * meets 1/(4 k a). Laminate conducts better along than through; stretching its depth by √(k∥/k⊥) makes
 * that 1/(4 a √(k∥ k⊥)). A cold shell at radius R takes 1/(2π R √(k∥ k⊥)) off it.
 */

const { conductivityInPlane, conductivityThrough } = LAMINATES['fr4-standard'];
const MEAN_W_mK = Math.sqrt(conductivityInPlane.value * conductivityThrough.value);
const STRETCH = Math.sqrt(conductivityInPlane.value / conductivityThrough.value);

const PRODUCTION: { rings: number; sheetPitch_m: number } = JOINT;
const FINE = { rings: 26, sheetPitch_m: 0.1e-3 };

const DISC_K = 400;
const COLD_K = 300;
/** Far better than any path through laminate, W/K. */
const HELD_W_K = 1e4;

const bare = { thickness_m: 35e-6, coverage: 0 };

/** Resistance from a land to a cold shell about it, by the joint model's own rings and sheets, K/W. */
function resistance_K_W(landRadius_m: number, shell_m: number, detail = PRODUCTION): number {
  const side_m = shell_m * Math.sqrt(Math.PI);
  const board = {
    length_m: side_m,
    width_m: side_m,
    thickness_m: shell_m / STRETCH,
    laminate: 'fr4-standard',
    copper: [bare, bare],
  } as const;
  const net = new NetworkBuilder();
  const still = { film_W_m2K: 1e-9, air_K: COLD_K };
  const around = { board_K: COLD_K, nearFilm: still, farFilm: still, ironOnTop: true };
  // Next to no hole in the middle of the land.
  const mesh = ringMesh(
    { board, connections: [] },
    { barrelRadius_m: 0.05 * landRadius_m, landRadius_m },
    true,
    NOMINAL,
    detail,
  );
  const rings = new RingBuilder(net, { board, connections: [] }, around, mesh, NOMINAL).close([]);
  const shell = new Set([...rings.node.at(-1)!, ...rings.node.map((ring) => ring.at(-1)!)]);
  for (const node of shell) net.toAir(node, HELD_W_K, COLD_K);
  const land = rings.node[0]![0]!;
  net.toAir(land, HELD_W_K, DISC_K);

  // So long that everything is at rest.
  const run = integrate(net.done(), { duration_s: 1e7, maxStep_s: 1e6, tracked: [land, ...shell] });
  const [land_K, ...shells_K] = run.tracked_K.map((row) => row.at(-1)!);
  const flow_W = shells_K.reduce((sum, t) => sum + HELD_W_K * (t - COLD_K), 0);
  return (land_K! - COLD_K) / flow_W;
}

const SHELL_m = 11e-3;

/** `share` is 1/4 for a disc at one temperature. */
const halfSpace_K_W = (radius_m: number, share = 1 / 4): number =>
  (share / radius_m - 1 / (2 * Math.PI * SHELL_m)) / MEAN_W_mK;

describe('a land on bare laminate: disc on a half-space (Carslaw & Jaeger §8.2)', () => {
  // Sheets 0.55 mm apart are coarse beside a small land; docs/model.md says so.
  it('meets 1/(4 k a) within a quarter on the mesh that plans are made with, on the easy side', () => {
    for (const radius_m of [0.7e-3, 1e-3, 1.5e-3]) {
      const ratio = resistance_K_W(radius_m, SHELL_m) / halfSpace_K_W(radius_m);
      expect(ratio, `radius ${radius_m} m`).toBeGreaterThan(0.75);
      expect(ratio, `radius ${radius_m} m`).toBeLessThan(1.05);
    }
  });

  // A land is one node, so its laminate takes heat evenly over it: 8/(3 π² k a), 8 % over the disc's.
  it('converges to the disc of even flux, 8/(3 π² k a), as sheets and rings are refined', () => {
    const even = halfSpace_K_W(1e-3, 8 / (3 * Math.PI ** 2));
    const error = (detail: typeof PRODUCTION): number =>
      Math.abs(resistance_K_W(1e-3, SHELL_m, detail) / even - 1);
    expect(error(FINE)).toBeLessThan(0.05);
    expect(error(FINE)).toBeLessThan(error(PRODUCTION) / 3);
  });
});
