import { capsule, circle, moved, obround, rectangle, UPRIGHT, type Contour } from '~/core/artwork/shapes';

/** An element's attributes. */
export type Attributes = Readonly<Record<string, string>>;

const number = (value: string | undefined): number => {
  const read = Number(value ?? 0);
  return Number.isFinite(read) ? read : 0;
};

/** A length attribute in metres. */
export const length_m = (attributes: Attributes, name: string, unit_m: number): number =>
  number(attributes[name]) * unit_m;

/** Outline of a standard primitive about its own middle (IPC-2581 §8.1.3, from memory); null for an element that is none. */
export function primitive(name: string, attributes: Attributes, unit_m: number): Contour | null {
  const of = (key: string): number => length_m(attributes, key, unit_m);
  switch (name) {
    case 'Circle':
      return circle(0, 0, of('diameter'));
    case 'RectCenter':
    case 'RectRound':
    case 'RectCham':
    case 'RectCorner': {
      if (name === 'RectCorner') {
        const [x0, y0, x1, y1] = [of('lowerLeftX'), of('lowerLeftY'), of('upperRightX'), of('upperRightY')];
        return rectangle((x0 + x1) / 2, (y0 + y1) / 2, x1 - x0, y1 - y0);
      }
      return rectangle(0, 0, of('width'), of('height'));
    }
    case 'Oval':
      return obround(0, 0, of('width'), of('height'));
    case 'Diamond': {
      const [w, h] = [of('width') / 2, of('height') / 2];
      return [-w, 0, 0, -h, w, 0, 0, h];
    }
    case 'Octagon':
    case 'Hexagon':
      return circle(0, 0, of('length'));
    case 'Donut':
    case 'Thermal':
      return circle(0, 0, of('outerDiameter'));
    default:
      return null;
  }
}

/** Turned counter-clockwise, mirrored in x before that where it is said, then set down (IPC-2581 Xform, from memory). */
export function setDown(
  contour: Contour,
  { rotation_rad, mirror }: { readonly rotation_rad: number; readonly mirror: boolean },
  x_m: number,
  y_m: number,
): Contour {
  return moved(contour, { ...UPRIGHT, mirrorX: mirror, rotation_rad }, x_m, y_m);
}

/** Points of an arc from one place to the next about a centre, the end among them. */
export function arcTo(
  from: readonly [number, number],
  to: readonly [number, number],
  centre: readonly [number, number],
  clockwise: boolean,
): number[] {
  const radius = Math.hypot(from[0] - centre[0], from[1] - centre[1]);
  const start = Math.atan2(from[1] - centre[1], from[0] - centre[0]);
  let sweep = Math.atan2(to[1] - centre[1], to[0] - centre[0]) - start;
  const whole = 2 * Math.PI;
  if (clockwise) while (sweep >= -1e-9) sweep -= whole;
  else while (sweep <= 1e-9) sweep += whole;
  const steps = Math.max(1, Math.ceil((Math.abs(sweep) / whole) * 36));
  const points: number[] = [];
  for (let i = 1; i < steps; i++) {
    const angle = start + (sweep * i) / steps;
    points.push(centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle));
  }
  return [...points, to[0], to[1]];
}

/** A drawn line as what its pen sweeps, piece by piece. */
export function strokes(line: readonly number[], width_m: number): Contour[] {
  const made: Contour[] = [];
  for (let i = 0; i + 3 < line.length; i += 2)
    made.push(capsule(line[i]!, line[i + 1]!, line[i + 2]!, line[i + 3]!, width_m));
  return made;
}
