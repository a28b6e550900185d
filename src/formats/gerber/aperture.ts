import { radians } from '~/core/quantity/convert';
import { macroShapes, type Macro } from './macro';
import {
  circle,
  obround,
  rectangle,
  regular,
  sidesOf,
  type Contour,
  type ImageObject,
  type Shape,
} from '~/core/artwork/shapes';

/** What a flash lays down and a stroke is drawn with. */
export interface Aperture {
  readonly shapes: readonly Shape[];
  /** Diameter of a plain round one: it may draw and turn arcs. */
  readonly round_m: number | null;
  /** Objects of a block aperture, which stands in for shapes. */
  readonly block: readonly ImageObject[] | null;
}

/** `D10C,0.1X0.05`: standard templates C, R, O and P, or a macro's name. Throws an Error that says what is wrong. */
export function readAperture(
  text: string,
  macros: ReadonlyMap<string, Macro>,
  unit_m: number,
): [code: number, aperture: Aperture] {
  const found = /^D(\d+)([^,]+)(?:,(.*))?$/.exec(text);
  if (!found) throw new Error('aperture is not understood');
  const [, code, name, list] = found as unknown as [string, string, string, string | undefined];
  const values = list ? list.split('X').map(Number) : [];
  if (values.some((value) => !Number.isFinite(value))) {
    throw new Error('aperture has a size that is no number');
  }
  const macro = macros.get(name);
  if (macro) {
    const shapes = macroShapes(macro, values).map((shape) => ({
      ...shape,
      contour: shape.contour.map((v) => v * unit_m),
    }));
    return [Number(code), { shapes, round_m: null, block: null }];
  }
  const size = (i: number): number => (values[i] ?? 0) * unit_m;
  /** One more figure is a round hole's diameter, two a rectangular hole's sides, as files of old have them. */
  const holed = (contour: Contour, from: number, round_m: number | null = null): Aperture => {
    const [across, high] = [size(from), size(from + 1)];
    const hole = high > 0 ? rectangle(0, 0, across, high) : circle(0, 0, across);
    return {
      shapes: [{ contour, dark: true }, ...(across > 0 ? [{ contour: hole, dark: false }] : [])],
      round_m,
      block: null,
    };
  };
  switch (name) {
    case 'C':
      return [Number(code), holed(circle(0, 0, size(0)), 1, size(0))];
    case 'R':
      return [Number(code), holed(rectangle(0, 0, size(0), size(1)), 2)];
    case 'O':
      return [Number(code), holed(obround(0, 0, size(0), size(1)), 2)];
    case 'P': {
      const turn_rad = radians(values[2] ?? 0);
      return [Number(code), holed(regular(0, 0, size(0) / 2, sidesOf(values[1] ?? 3), turn_rad), 3)];
    }
    default:
      throw new Error(`aperture template ${name} is not defined`);
  }
}
