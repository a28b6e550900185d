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

/** A drawn line as what its pen sweeps, piece by piece. */
export function strokes(line: readonly number[], width_m: number): Contour[] {
  const made: Contour[] = [];
  for (let i = 0; i + 3 < line.length; i += 2)
    made.push(capsule(line[i]!, line[i + 1]!, line[i + 2]!, line[i + 3]!, width_m));
  return made;
}
