import type { Point } from './polygon';

/**
 * Points round an arc about a centre from one place to the next, the end among them and as it is given; an arc that ends where it
 * begins is a whole turn. `perTurn` chords make a turn, and an arc has at least `least` of them.
 */
export function alongArc(
  from: Point,
  to: Point,
  centre: Point,
  clockwise: boolean,
  perTurn: number,
  least = 1,
): Point[] {
  const [cx, cy] = centre;
  const radius = Math.hypot(from[0] - cx, from[1] - cy);
  const start = Math.atan2(from[1] - cy, from[0] - cx);
  const turn = 2 * Math.PI;
  let sweep = Math.atan2(to[1] - cy, to[0] - cx) - start;
  if (clockwise) while (sweep >= -1e-9) sweep -= turn;
  else while (sweep <= 1e-9) sweep += turn;
  const chords = Math.max(least, Math.ceil((perTurn * Math.abs(sweep)) / turn - 1e-9));
  return Array.from({ length: chords }, (_, i): Point => {
    if (i === chords - 1) return to;
    const angle = start + (sweep * (i + 1)) / chords;
    return [cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)];
  });
}
