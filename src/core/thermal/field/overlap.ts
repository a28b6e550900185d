import { onBoard } from '~/core/packages/placement';
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
  const half: Point = [Math.max(box.width_m, mesh.dx_m) / 2, Math.max(box.height_m, mesh.dy_m) / 2];
  const corners = (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([a, b]): Point => {
    const { x_m, y_m } = onBoard(part, box.x_m + a * half[0], box.y_m + b * half[1]);
    return [x_m / mesh.dx_m, y_m / mesh.dy_m];
  });
  const xs = corners.map(([x]) => x);
  const ys = corners.map(([, y]) => y);
  const found: Overlap[] = [];
  let sum = 0;
  for (let j = Math.max(0, Math.floor(Math.min(...ys))); j < Math.min(mesh.ny, Math.max(...ys)); j++)
    for (let i = Math.max(0, Math.floor(Math.min(...xs))); i < Math.min(mesh.nx, Math.max(...xs)); i++) {
      const column = j * mesh.nx + i;
      if (!mesh.inside[column]) continue;
      const share = areaOf(clipped(corners, i, j));
      if (share > 0) found.push({ column, share });
      sum += share;
    }
  const kept = found.filter(({ share }) => share >= LEAST_SHARE * sum);
  const whole = kept.reduce((all, { share }) => all + share, 0);
  if (whole <= 0) return [{ column: columnAt(mesh, part.x_m, part.y_m), share: 1 }];
  return kept.map(({ column, share }) => ({ column, share: share / whole }));
}

/** A convex polygon within the unit cell at (i, j): Sutherland & Hodgman, one edge after another. */
function clipped(polygon: readonly Point[], i: number, j: number): readonly Point[] {
  const within: ((p: Point) => number)[] = [
    ([x]) => x - i,
    ([x]) => i + 1 - x,
    ([, y]) => y - j,
    ([, y]) => j + 1 - y,
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
