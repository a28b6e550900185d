import { extent } from 'd3-array';
import { areaOf, type Point } from '~/core/geometry/polygon';
import { largestLoop } from '~/core/geometry/chain';
import { millimetres } from '~/core/quantity/convert';
import type { BoardProfile } from '~/schema/values/boardProfile';
import type { Artwork } from '~/formats/gerber/artwork';
import type { Collected } from './collected';
import { PROFILE } from './shows';

/** Ends that meet within this are one corner; drawn loosely, within the next. */
const JOINS_m = [20e-6, 0.1e-3, 0.5e-3];
/** More corners than this are thinned; arcs come as many short chords. */
const MOST_POINTS = 1500;
const MOST_HOLES = 20_000;

/** An edge of this share of what its file spans, or less, is a hole or a mark that was drawn beside it. */
const WHOLE_SHARE = 0.5;

/**
 * The board's edge as profile files draw it, about the files' origin: strokes joined as closely as they close, or the largest region.
 * What spans under half of all that its file draws is no edge; where nothing closes the rectangle that all strokes span stands for it.
 */
export function edgeIn(read: Pick<Collected, 'artworks'>): Point[] | null {
  let best: Point[] | null = null;
  for (const { artwork, layer } of read.artworks) {
    if (layer !== PROFILE) continue;
    const edge = edgeOf(artwork);
    if (edge && (best === null || areaOf(edge) > areaOf(best))) best = edge;
  }
  return best;
}

function edgeOf({ strokes, objects }: Artwork): Point[] | null {
  const regions = objects
    .filter(({ dark }) => dark)
    .flatMap(({ shapes }) => shapes.map(({ contour }) => pointsOf(contour)));
  const ends = strokes.flatMap(([a, b]) => [a, b]);
  const drawn = ends.length > 0 ? ends : regions.flat();
  if (drawn.length === 0) return null;
  const all = extentOf(drawn);
  const whole = (edge: readonly Point[]): boolean => {
    const { length_m, width_m } = extentOf(edge);
    return length_m >= WHOLE_SHARE * all.length_m && width_m >= WHOLE_SHARE * all.width_m;
  };
  for (const join_m of JOINS_m) {
    const loop = largestLoop(strokes, join_m);
    if (loop && whole(loop)) return loop;
  }
  const region = regions.reduce<Point[] | null>(
    (best, edge) => (best === null || areaOf(edge) > areaOf(best) ? edge : best),
    null,
  );
  if (region && whole(region) && areaOf(region) > 0.2 * all.length_m * all.width_m) return region;
  const { x0, y0, length_m, width_m } = all;
  return length_m > 0 && width_m > 0
    ? [[x0, y0], [x0 + length_m, y0], [x0 + length_m, y0 + width_m], [x0, y0 + width_m]]
    : null; // prettier-ignore
}

/** Edge and holes on the board's own origin; null where the files tell of neither. */
export function profileOf(
  read: Pick<Collected, 'holes'>,
  edge: readonly Point[] | null,
  [dx, dy]: readonly [number, number],
): BoardProfile | null {
  if (edge === null && read.holes.length === 0) return null;
  const mm = (value_m: number): number => Math.round(millimetres(value_m) * 1000) / 1000;
  const step = Math.max(1, Math.ceil((edge?.length ?? 0) / MOST_POINTS));
  return {
    edge: edge
      ? edge.filter((_, i) => i % step === 0).map(([x, y]): [number, number] => [mm(x + dx), mm(y + dy)])
      : null,
    holes: read.holes
      .slice(0, MOST_HOLES)
      .map((hole): BoardProfile['holes'][number] => {
        const at = [mm(hole.x_m + dx), mm(hole.y_m + dy), mm(hole.diameter_m)] as const;
        return hole.slotTo ? [...at, mm(hole.slotTo.x_m + dx), mm(hole.slotTo.y_m + dy)] : [...at];
      })
      .filter(
        ([x, y, d, x1 = x, y1 = y]) =>
          [x, y, x1, y1].every((place) => place >= -50 && place <= 1050) && d >= 0.05 && d <= 20,
      ),
  };
}

/** Extent of an edge, m. */
export function extentOf(edge: readonly Point[]): {
  x0: number;
  y0: number;
  length_m: number;
  width_m: number;
} {
  // Not spread into arguments: an edge drawn as one region may have hundreds of thousands of points.
  const [x0 = 0, x1 = 0] = extent(edge, ([x]) => x);
  const [y0 = 0, y1 = 0] = extent(edge, ([, y]) => y);
  return { x0, y0, length_m: x1 - x0, width_m: y1 - y0 };
}

function pointsOf(contour: readonly number[]): Point[] {
  const points: Point[] = [];
  for (let i = 0; i + 1 < contour.length; i += 2) points.push([contour[i]!, contour[i + 1]!]);
  return points;
}
