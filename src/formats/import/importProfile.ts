import { extent } from 'd3-array';
import { areaOf, type Point } from '~/core/geometry/polygon';
import { largestLoop } from '~/core/geometry/chain';
import { millimetres } from '~/core/quantity/convert';
import type { BoardProfile } from '~/schema/values/boardProfile';
import type { Collected } from './collected';

/** Ends that meet within this are one corner. */
const JOIN_m = 20e-6;
/** More corners than this are thinned; arcs come as many short chords. */
const MOST_POINTS = 1500;
const MOST_HOLES = 20_000;

/** The board's edge as a profile file draws it, about the files' origin: its strokes joined, or its largest region. */
export function edgeIn(read: Pick<Collected, 'artworks'>): Point[] | null {
  const profile = read.artworks.find(({ layer }) => layer === PROFILE);
  if (!profile) return null;
  const { strokes, objects } = profile.artwork;
  const loop = largestLoop(strokes, JOIN_m);
  if (loop) return loop;
  const regions = objects.flatMap(({ shapes }) => shapes.map(({ contour }) => pointsOf(contour)));
  return regions.reduce<Point[] | null>(
    (best, edge) => (best === null || areaOf(edge) > areaOf(best) ? edge : best),
    null,
  );
}

/** The layer that stands for the board's edge where a person chooses what a file is. */
export const PROFILE = -1;

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
        return hole.slotTo
          ? [...at, mm(hole.slotTo.x_m + dx), mm(hole.slotTo.y_m + dy)]
          : [...at];
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
