/**
 * Heat from a disc held at one temperature into a bare slab that starts cold, in r and z by explicit steps: plain
 * finite volumes that share no code with the joint model. Returns what it has taken up by each time, J for each kelvin.
 */
export function heatIntoSlab_J_K(
  slab: {
    readonly disc_m: number;
    readonly radius_m: number;
    readonly thickness_m: number;
    readonly inPlane_W_mK: number;
    readonly through_W_mK: number;
    readonly heat_J_m3K: number;
  },
  times_s: readonly number[],
): number[] {
  const { disc_m, radius_m, thickness_m } = slab;
  // Fine at the disc's rim, wider away from it.
  const r = [0];
  for (let step = disc_m / 24; r.at(-1)! < disc_m - 1.5 * step;) r.push(r.at(-1)! + step);
  r.push(disc_m);
  for (let step = disc_m / 24; r.at(-1)! < radius_m; step *= 1.08) r.push(r.at(-1)! + step);
  const z = [0];
  for (let step = thickness_m / 60; z.at(-1)! < thickness_m - 1.5 * step; step *= 1.04)
    z.push(z.at(-1)! + step);
  z.push(thickness_m);
  const nr = r.length - 1;
  const nz = z.length - 1;
  const middle = (edges: number[], i: number): number => (edges[i]! + edges[i + 1]!) / 2;
  const ring = (i: number): number => Math.PI * (r[i + 1]! ** 2 - r[i]! ** 2);
  const outward = Array.from(
    { length: nr - 1 },
    (_, i) => (2 * Math.PI * r[i + 1]! * slab.inPlane_W_mK) / (middle(r, i + 1) - middle(r, i)),
  );
  const down = Array.from(
    { length: nz - 1 },
    (_, k) => slab.through_W_mK / (middle(z, k + 1) - middle(z, k)),
  );
  const intoFace = slab.through_W_mK / (z[1]! / 2);
  const held = r.findIndex((edge) => edge >= disc_m - 1e-12);

  const T = new Float64Array(nr * nz);
  const gain = new Float64Array(nr * nz);
  let shortest = Infinity;
  for (let i = 0; i < nr; i++)
    for (let k = 0; k < nz; k++) {
      const dz = z[k + 1]! - z[k]!;
      const capacity = slab.heat_J_m3K * ring(i) * dz;
      const sum =
        ((outward[i] ?? 0) + (outward[i - 1] ?? 0)) * dz +
        ((down[k] ?? 0) + (down[k - 1] ?? (i < held ? intoFace : 0))) * ring(i);
      shortest = Math.min(shortest, capacity / sum);
    }
  const dt = 0.9 * shortest;
  const taken: number[] = [];
  let time = 0;
  let heat = 0;
  while (taken.length < times_s.length) {
    gain.fill(0);
    let inflow = 0;
    for (let k = 0; k < nz; k++) {
      const dz = z[k + 1]! - z[k]!;
      for (let i = 0; i < nr; i++) {
        const c = k * nr + i;
        if (i + 1 < nr) {
          const flow = outward[i]! * dz * (T[c]! - T[c + 1]!);
          gain[c]! -= flow;
          gain[c + 1]! += flow;
        }
        if (k + 1 < nz) {
          const flow = down[k]! * ring(i) * (T[c]! - T[c + nr]!);
          gain[c]! -= flow;
          gain[c + nr]! += flow;
        }
        if (k === 0 && i < held) {
          const flow = intoFace * ring(i) * (1 - T[c]!);
          gain[c]! += flow;
          inflow += flow;
        }
      }
    }
    for (let k = 0; k < nz; k++)
      for (let i = 0; i < nr; i++)
        T[k * nr + i]! += (dt * gain[k * nr + i]!) / (slab.heat_J_m3K * ring(i) * (z[k + 1]! - z[k]!));
    time += dt;
    heat += dt * inflow;
    if (time >= times_s[taken.length]!) taken.push(heat);
  }
  return taken;
}
