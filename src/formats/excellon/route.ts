import { alongArc } from '~/core/geometry/arc';

export type RouteWay = 'line' | 'clockwise' | 'counter';

interface Place {
  readonly x_m: number;
  readonly y_m: number;
}

/** What is cut is wide against what they leave out. */
const CHORDS_A_TURN = 16;

/** Ends of the straight pieces from one place to the next: one for a line, several round an arc, told by radius (A) or centre (I, J). */
export function chordsOf(
  from: Place,
  to: Place,
  way: RouteWay,
  arc: { readonly radius_m: number | null; readonly i_m: number | null; readonly j_m: number | null },
): readonly Place[] {
  if (way === 'line') return [to];
  const centre =
    arc.i_m !== null || arc.j_m !== null
      ? { x_m: from.x_m + (arc.i_m ?? 0), y_m: from.y_m + (arc.j_m ?? 0) }
      : centreBy(arc.radius_m, from, to, way);
  if (!centre) return [to];
  return alongArc(
    [from.x_m, from.y_m],
    [to.x_m, to.y_m],
    [centre.x_m, centre.y_m],
    way === 'clockwise',
    CHORDS_A_TURN,
  ).map(([x_m, y_m]) => ({ x_m, y_m }));
}

/** The centre of the shorter arc of a radius; null where the ends lie further apart than it reaches. */
function centreBy(radius_m: number | null, from: Place, to: Place, way: RouteWay): Place | null {
  const [dx, dy] = [to.x_m - from.x_m, to.y_m - from.y_m];
  const apart_m = Math.hypot(dx, dy);
  if (radius_m === null || apart_m === 0 || apart_m > 2.02 * radius_m) return null;
  const height_m = Math.sqrt(Math.max(0, radius_m ** 2 - (apart_m / 2) ** 2));
  const side = way === 'counter' ? 1 : -1;
  return {
    x_m: (from.x_m + to.x_m) / 2 - (side * height_m * dy) / apart_m,
    y_m: (from.y_m + to.y_m) / 2 + (side * height_m * dx) / apart_m,
  };
}
