import type { Point } from './polygon';

/** x′ = a x − b y + e, y′ = b x + a y + f: a turn, a scale and a shift, without a mirror. */
export interface Similarity {
  readonly a: number;
  readonly b: number;
  readonly e: number;
  readonly f: number;
}

/** The one similarity that carries two points onto two others; null where the first two coincide. */
export function similarityOf(from: readonly [Point, Point], to: readonly [Point, Point]): Similarity | null {
  const [[px, py], [qx, qy]] = from;
  const [[ux, uy], [vx, vy]] = to;
  const [dx, dy] = [qx - px, qy - py];
  const square = dx * dx + dy * dy;
  if (square === 0) return null;
  const [wx, wy] = [vx - ux, vy - uy];
  const a = (wx * dx + wy * dy) / square;
  const b = (wy * dx - wx * dy) / square;
  return { a, b, e: ux - a * px + b * py, f: uy - b * px - a * py };
}

export const carried = ({ a, b, e, f }: Similarity, [x, y]: Point): Point => [
  a * x - b * y + e,
  b * x + a * y + f,
];

/** Units of the target for one of the source. */
export const scaleOf = ({ a, b }: Similarity): number => Math.hypot(a, b);
