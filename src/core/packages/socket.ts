import { TWO_ROWS } from './families';
import { isSurface, type PartPackage } from './form';
import type { ThroughHolePackage } from './throughHole';

/** Width and height of a socket body over its part's rows, m (typical, from memory). */
const OVER_ROWS_m = 2.6e-3;
const HEIGHT_m = 4.5e-3;

/** The socket that goes into a dual in-line part's own holes; null for parts that have none. */
export function socketFor(part: PartPackage): ThroughHolePackage | null {
  if (isSurface(part) || !TWO_ROWS.has(part.family)) return null;
  return {
    ...part,
    family: 'dipSocket',
    body: {
      shape: 'block',
      length_m: part.rowSpacing_m + OVER_ROWS_m,
      width_m: Math.max(part.body.width_m, (part.pins / 2) * part.pitch_m),
      height_m: HEIGHT_m,
    },
  };
}
