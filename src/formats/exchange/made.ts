import { capsule, type ImageObject } from '~/core/artwork/shapes';
import type { DrillHole } from '~/formats/excellon/excellon';
import type { Artwork } from '~/formats/gerber/artwork';
import type { NetlistPoint } from '~/formats/netlist/netlist';

/** A hole and a land whose middles lie this close are one. */
const HOLE_SAME_m = 0.05e-3;

/** Lands with the holes that stand in them; those of a part with leads through the board lie on both faces. */
export function withHoles(points: readonly NetlistPoint[], holes: readonly DrillHole[]): NetlistPoint[] {
  const cell = (x_m: number, y_m: number): string =>
    `${Math.round(x_m / HOLE_SAME_m)} ${Math.round(y_m / HOLE_SAME_m)}`;
  const at = new Map(holes.map((hole) => [cell(hole.x_m, hole.y_m), hole]));
  return points.map((point) => {
    const hole = at.get(cell(point.x_m, point.y_m));
    return hole ? { ...point, access: 0, hole: { diameter_m: hole.diameter_m, plated: true } } : point;
  });
}

const SAID: Artwork['spelt'] = {
  unit: 'mm',
  unitSaid: true,
  digits: [4, 6],
  digitsSaid: true,
  zeros: 'trailing',
  zerosSaid: true,
  pointless: false,
};

export const artworkOf = (
  objects: readonly ImageObject[],
  strokesOf: Artwork['strokes'],
  what: readonly string[] = ['Copper'],
): Artwork => ({
  objects,
  pads: [],
  strokes: strokesOf,
  function: what,
  faults: [],
  operations: objects.length,
  spelt: SAID,
});

/** The outline as the strokes that a drawing of it would have. */
export function edgeOf(line: readonly number[]): Artwork {
  const closed = [...line, line[0]!, line[1]!];
  const lines: [[number, number], [number, number]][] = [];
  for (let i = 0; i + 3 < closed.length; i += 2)
    lines.push([
      [closed[i]!, closed[i + 1]!],
      [closed[i + 2]!, closed[i + 3]!],
    ]);
  const objects = lines.map(([a, b]): ImageObject => ({
    dark: true,
    shapes: [{ contour: capsule(a[0], a[1], b[0], b[1], 1e-4), dark: true }],
  }));
  return artworkOf(objects, lines, ['Profile']);
}
