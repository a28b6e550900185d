import { onBoard } from '~/core/packages/placement';
import { cellAt, type Axis } from './axis';
import { columnAt, type FieldMesh } from './mesh';
import type { FieldPart } from './scenario';

/** A column of the mesh and the share of a place that it holds; shares of one place add to one. */
export interface Overlap {
  readonly column: number;
  readonly share: number;
}

/** A rectangle about a place on a part, in the part's own axes. */
export interface PartBox {
  readonly x_m: number;
  readonly y_m: number;
  readonly width_m: number;
  readonly height_m: number;
}

type Point = readonly [x: number, y: number];

/** Less than this of a place is left to its other columns. */
const LEAST_SHARE = 1e-3;

/**
 * The columns under a rectangle of a part by area. What is smaller than a cell is spread over as much as a cell, so that
 * it stands between the middles of its cells as it lies: moved by a little, it moves by a little.
 */
export function overlapsOf(mesh: FieldMesh, part: FieldPart, box: PartBox): Overlap[] {
  const { x, y } = mesh;
  const middle = onBoard(part, box.x_m, box.y_m);
  const [dx_m, dy_m] = [x.sizes_m[cellAt(x, middle.x_m)]!, y.sizes_m[cellAt(y, middle.y_m)]!];
  const [cos, sin] = [Math.abs(Math.cos(part.rotation_rad)), Math.abs(Math.sin(part.rotation_rad))];
  const half: Point = [
    Math.max(box.width_m, (cos * dx_m + sin * dy_m) / (cos + sin)) / 2,
    Math.max(box.height_m, (cos * dy_m + sin * dx_m) / (cos + sin)) / 2,
  ];
  const found = isUpright(part.rotation_rad)
    ? uprightIn(mesh, middle, half, Math.abs(Math.cos(part.rotation_rad)) < 0.5)
    : turnedIn(mesh, part, box, half);
  const sum = found.reduce((all, { share }) => all + share, 0);
  const kept = found.filter(({ share }) => share >= LEAST_SHARE * sum);
  const whole = kept.reduce((all, { share }) => all + share, 0);
  if (whole <= 0) return [{ column: columnAt(mesh, part.x_m, part.y_m), share: 1 }];
  return kept.map(({ column, share }) => ({ column, share: share / whole }));
}

/** Whether a part stands straight on its board: its sides are then along the cells'. */
const isUpright = (rotation_rad: number): boolean => Math.abs(Math.sin(2 * rotation_rad)) < 1e-9;

/** Areas under an upright rectangle: what it covers along one side times what it covers along the other, m². */
function uprightIn(
  mesh: FieldMesh,
  middle: { readonly x_m: number; readonly y_m: number },
  [a_m, b_m]: Point,
  onItsSide: boolean,
): Overlap[] {
  const across = covered(mesh.x, middle.x_m, onItsSide ? b_m : a_m);
  const up = covered(mesh.y, middle.y_m, onItsSide ? a_m : b_m);
  return up.flatMap(([j, up_m]) =>
    across.flatMap(([i, across_m]) => {
      const column = j * mesh.nx + i;
      return mesh.inside[column] ? [{ column, share: up_m * across_m }] : [];
    }),
  );
}

/** The cells of an axis that a stretch covers, and how much of it each holds, m. */
function covered(axis: Axis, middle_m: number, half_m: number): (readonly [cell: number, held_m: number])[] {
  const [from_m, to_m] = [middle_m - half_m, middle_m + half_m];
  const cells: (readonly [number, number])[] = [];
  for (let i = cellAt(axis, from_m); i < axis.count && axis.edges_m[i]! < to_m; i++) {
    const held_m = Math.min(to_m, axis.edges_m[i + 1]!) - Math.max(from_m, axis.edges_m[i]!);
    if (held_m > 0) cells.push([i, held_m]);
  }
  return cells;
}

/** Areas under a rectangle that stands askew, m². */
function turnedIn(mesh: FieldMesh, part: FieldPart, box: PartBox, half: Point): Overlap[] {
  const { x, y } = mesh;
  const corners = (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([a, b]): Point => {
    const { x_m, y_m } = onBoard(part, box.x_m + a * half[0], box.y_m + b * half[1]);
    return [x_m, y_m];
  });
  const xs = corners.map(([x]) => x);
  const ys = corners.map(([, y]) => y);
  const found: Overlap[] = [];
  const [left, right] = [cellAt(x, Math.min(...xs)), cellAt(x, Math.max(...xs))];
  const [low, high] = [cellAt(y, Math.min(...ys)), cellAt(y, Math.max(...ys))];
  for (let j = low; j <= high; j++)
    for (let i = left; i <= right; i++) {
      const column = j * mesh.nx + i;
      if (!mesh.inside[column]) continue;
      const share = areaOf(
        clipped(corners, [x.edges_m[i]!, x.edges_m[i + 1]!], [y.edges_m[j]!, y.edges_m[j + 1]!]),
      );
      if (share > 0) found.push({ column, share });
    }
  return found;
}

/** A convex polygon within a cell: Sutherland & Hodgman, one edge after another. */
function clipped(polygon: readonly Point[], [left, right]: Point, [low, high]: Point): readonly Point[] {
  const within: ((p: Point) => number)[] = [
    ([x]) => x - left,
    ([x]) => right - x,
    ([, y]) => y - low,
    ([, y]) => high - y,
  ];
  return within.reduce<readonly Point[]>(
    (corners, inside) =>
      corners.flatMap((here, n) => {
        const before = corners[(n + corners.length - 1) % corners.length]!;
        const [a, b] = [inside(before), inside(here)];
        const cut: Point[] =
          a * b < 0
            ? [
                [
                  before[0] + (a / (a - b)) * (here[0] - before[0]),
                  before[1] + (a / (a - b)) * (here[1] - before[1]),
                ],
              ]
            : [];
        return b >= 0 ? [...cut, here] : cut;
      }),
    polygon,
  );
}

const areaOf = (corners: readonly Point[]): number =>
  Math.abs(
    corners.reduce((sum, [x, y], n) => {
      const [u, v] = corners[(n + 1) % corners.length]!;
      return sum + x * v - u * y;
    }, 0),
  ) / 2;
