import type { SeenLand } from './seen';

/** Where a family's lands lie when they are laid over those that were seen. */
export interface LaidOver {
  readonly x_m: number;
  readonly y_m: number;
  readonly rotation_rad: number;
  /** The land that fits worst lies this far from where the family would have it. */
  readonly misfit_m: number;
}

export const apart_m = (
  a: { readonly x_m: number; readonly y_m: number },
  b: { readonly x_m: number; readonly y_m: number },
): number => Math.hypot(a.x_m - b.x_m, a.y_m - b.y_m);

/** Best shift and turn that carry the family's lands onto those of the same name; null if a name is missing. */
export function layOver(
  shapes: readonly { readonly pad: string; readonly x_m: number; readonly y_m: number }[],
  seen: readonly SeenLand[],
): LaidOver | null {
  const by = new Map(seen.map((land) => [land.pad, land]));
  const pairs = shapes.map((shape) => ({ shape, land: by.get(shape.pad) }));
  if (pairs.length !== seen.length || pairs.some((pair) => !pair.land)) return null;
  const mean = (of: (pair: (typeof pairs)[number]) => number): number =>
    pairs.reduce((sum, pair) => sum + of(pair), 0) / pairs.length;
  const [sx, sy] = [mean((p) => p.shape.x_m), mean((p) => p.shape.y_m)];
  const [lx, ly] = [mean((p) => p.land!.x_m), mean((p) => p.land!.y_m)];
  let dot = 0;
  let cross = 0;
  for (const { shape, land } of pairs) {
    const [ax, ay] = [shape.x_m - sx, shape.y_m - sy];
    const [bx, by_] = [land!.x_m - lx, land!.y_m - ly];
    dot += ax * bx + ay * by_;
    cross += ax * by_ - ay * bx;
  }
  const rotation_rad = Math.atan2(cross, dot);
  const [cos, sin] = [Math.cos(rotation_rad), Math.sin(rotation_rad)];
  const x_m = lx - (sx * cos - sy * sin);
  const y_m = ly - (sx * sin + sy * cos);
  const misfit_m = Math.max(
    ...pairs.map(({ shape, land }) =>
      Math.hypot(
        x_m + shape.x_m * cos - shape.y_m * sin - land!.x_m,
        y_m + shape.x_m * sin + shape.y_m * cos - land!.y_m,
      ),
    ),
  );
  return { x_m, y_m, rotation_rad, misfit_m };
}

/** How far the lands' areas differ, as lengths; files turn their sizes or not, so areas alone are compared. */
export function sizeMisfit_m(
  shapes: readonly { readonly pad: string; readonly width_m: number; readonly height_m: number }[],
  seen: readonly SeenLand[],
): number {
  const by = new Map(seen.map((land) => [land.pad, land]));
  let worst = 0;
  for (const shape of shapes) {
    const land = by.get(shape.pad);
    if (!land || land.width_m * land.height_m === 0) continue;
    worst = Math.max(
      worst,
      Math.abs(Math.sqrt(shape.width_m * shape.height_m) - Math.sqrt(land.width_m * land.height_m)),
    );
  }
  return worst;
}
