import { alongArc } from '~/core/geometry/arc';

export interface Point {
  readonly x: number;
  readonly y: number;
}

export type Mode = 'line' | 'clockwise' | 'counter';

/** Arcs are cut into steps of at most ten degrees: 0.1 % of the radius off the true arc on average. */
const CHORDS_A_TURN = 36;

/**
 * Points from one place to the next: the end alone, or the way round an arc whose centre lies at `offset`. Where a file has not said
 * which of the two kinds its arcs are (G74, G75), an arc is of the kind whose centre lies as far from both its ends.
 */
export function pathTo(
  from: Point,
  to: Point,
  offset: Point,
  mode: Mode,
  quadrants: boolean | null,
): readonly Point[] {
  if (mode === 'line') return [to];
  const multiQuadrant = quadrants ?? fitsWhole(from, to, offset);
  const same = Math.hypot(to.x - from.x, to.y - from.y) < 1e-9;
  // In one quadrant an arc that ends where it began has no length; in many it is a circle.
  if (same && !multiQuadrant) return [to];
  const centre = multiQuadrant
    ? { x: from.x + offset.x, y: from.y + offset.y }
    : quadrantCentre(from, to, offset, mode);
  return alongArc(
    [from.x, from.y],
    [to.x, to.y],
    [centre.x, centre.y],
    mode === 'clockwise',
    CHORDS_A_TURN,
    2,
  ).map(([x, y]) => ({ x, y }));
}

/** Whether the offset as it stands leads to a centre: as far from the end as from the beginning, within a fiftieth. */
function fitsWhole(from: Point, to: Point, { x, y }: Point): boolean {
  const begin = Math.hypot(x, y);
  const end = Math.hypot(to.x - from.x - x, to.y - from.y - y);
  return x < 0 || y < 0 || Math.abs(begin - end) <= begin / 50;
}

const angleAt = (centre: Point, point: Point): number => Math.atan2(point.y - centre.y, point.x - centre.x);

/** Single quadrant: offsets have no sign; of the four centres the one whose arc stays within a quarter. */
function quadrantCentre(from: Point, to: Point, offset: Point, mode: Mode): Point {
  let best: Point | null = null;
  let least = Infinity;
  for (const sx of [1, -1]) {
    for (const sy of [1, -1]) {
      const centre = { x: from.x + sx * Math.abs(offset.x), y: from.y + sy * Math.abs(offset.y) };
      let sweep = angleAt(centre, to) - angleAt(centre, from);
      if (mode === 'counter' && sweep < -1e-9) sweep += 2 * Math.PI;
      if (mode === 'clockwise' && sweep > 1e-9) sweep -= 2 * Math.PI;
      if (Math.abs(sweep) > Math.PI / 2 + 1e-6) continue;
      const off = Math.abs(
        Math.hypot(from.x - centre.x, from.y - centre.y) - Math.hypot(to.x - centre.x, to.y - centre.y),
      );
      if (off < least) {
        least = off;
        best = centre;
      }
    }
  }
  if (!best) throw new Error('arc has no centre within a quadrant');
  return best;
}
