import { circle, rectangle, regular, sidesOf, type Contour, type Shape } from '~/core/artwork/shapes';

/** An aperture macro as its blocks, evaluated anew for each aperture that is defined by it. */
export type Macro = readonly string[];

const DEGREE = Math.PI / 180;

/**
 * Shapes of a macro for its parameters, in the file's own unit. Primitives 1, 4, 5, 6, 7, 20, 21 and the old
 * 2 and 22. Gerber format specification §4.5, from memory.
 * Throws a plain Error on what it cannot evaluate.
 */
export function macroShapes(macro: Macro, parameters: readonly number[]): Shape[] {
  const values = new Map<number, number>(parameters.map((value, i) => [i + 1, value]));
  const shapes: Shape[] = [];
  for (const block of macro) {
    const text = block.trim();
    if (text === '' || /^0(\D|$)/.test(text)) continue;
    if (text.length > LONGEST) throw new Error('macro has a block that is too long to be read');
    const assigned = /^\$(\d+)\s*=(.+)$/.exec(text);
    if (assigned) {
      values.set(Number(assigned[1]), evaluate(assigned[2]!, values));
      continue;
    }
    const [code, ...rest] = text.split(',');
    shapes.push(
      ...primitive(
        Number(code),
        rest.map((term) => evaluate(term, values)),
      ),
    );
  }
  return shapes;
}

/** Longer than any that a program writes: an outline of 5,000 corners. */
const LONGEST = 200_000;
const MOST_RINGS = 50;

function primitive(code: number, v: readonly number[]): Shape[] {
  const at = (i: number): number => v[i] ?? 0;
  const one = (contour: Contour, turn_deg: number): Shape[] => [
    { contour: turned(contour, turn_deg), dark: at(0) !== 0 },
  ];
  switch (code) {
    case 1:
      return one(circle(at(2), at(3), at(1)), at(4));
    case 2:
    case 20: {
      const [width, x0, y0, x1, y1] = [at(1), at(2), at(3), at(4), at(5)];
      const length = Math.hypot(x1 - x0, y1 - y0);
      const bar = turned(rectangle(0, 0, length, width), Math.atan2(y1 - y0, x1 - x0) / DEGREE);
      return one(shifted(bar, (x0 + x1) / 2, (y0 + y1) / 2), at(6));
    }
    case 21:
      return one(rectangle(at(3), at(4), at(1), at(2)), at(5));
    case 22:
      return one(rectangle(at(3) + at(1) / 2, at(4) + at(2) / 2, at(1), at(2)), at(5));
    case 4: {
      const count = at(1);
      if (!(count >= 2 && v.length >= 2 + 2 * count))
        throw new Error(
          `outline names ${count} corners and gives ${Math.max(0, Math.floor((v.length - 2) / 2))}`,
        );
      return one(v.slice(2, 2 + 2 * count), at(v.length === 3 + 2 * count ? 2 + 2 * count : 4 + 2 * count));
    }
    case 5:
      return one(regular(at(2), at(3), at(4) / 2, sidesOf(at(1)), 0), at(5));
    case 7: {
      const [x, y, outer, inner, gap] = [at(0), at(1), at(2), at(3), at(4)];
      const lay = (contour: Contour, dark: boolean): Shape => ({ contour: turned(contour, at(5)), dark });
      return [
        lay(circle(x, y, outer), true),
        lay(circle(x, y, inner), false),
        lay(rectangle(x, y, outer, gap), false),
        lay(rectangle(x, y, gap, outer), false),
      ];
    }
    case 6: {
      const [x, y, outer, thick, gap, most, bar, length] = [
        at(0),
        at(1),
        at(2),
        at(3),
        at(4),
        at(5),
        at(6),
        at(7),
      ];
      const lay = (contour: Contour, dark = true): Shape => ({ contour: turned(contour, at(8)), dark });
      const rings: Shape[] = [];
      for (let n = 0; n < Math.min(most, MOST_RINGS); n++) {
        const across = outer - 2 * n * (thick + gap);
        if (across <= 0) break;
        rings.push(lay(circle(x, y, across)));
        if (across > 2 * thick) rings.push(lay(circle(x, y, across - 2 * thick), false));
      }
      return [...rings, lay(rectangle(x, y, length, bar)), lay(rectangle(x, y, bar, length))];
    }
    default:
      throw new Error(`macro primitive ${code} is not known`);
  }
}

/** About the macro's origin, not the shape's middle. */
function turned(contour: Contour, turn_deg: number): Contour {
  if (turn_deg === 0) return contour;
  const [cos, sin] = [Math.cos(turn_deg * DEGREE), Math.sin(turn_deg * DEGREE)];
  const points: number[] = [];
  for (let i = 0; i < contour.length; i += 2) {
    points.push(contour[i]! * cos - contour[i + 1]! * sin, contour[i]! * sin + contour[i + 1]! * cos);
  }
  return points;
}

const shifted = (contour: Contour, dx: number, dy: number): Contour =>
  contour.map((value, i) => value + (i % 2 === 0 ? dx : dy));

/** Brackets and signs within one another; programs write three or four. */
const DEEPEST = 200;

/** Numbers, $variables, + − x /, brackets; recursive descent over the few tokens there are. */
export function evaluate(text: string, values: ReadonlyMap<number, number>): number {
  const tokens = text.replace(/\s+/g, '').match(/\$\d+|\d*\.?\d+|[-+xX/()]/g) ?? [];
  let at = 0;
  let depth = 0;
  const sum = (): number => {
    let value = product();
    while (tokens[at] === '+' || tokens[at] === '-') value += tokens[at++] === '+' ? product() : -product();
    return value;
  };
  const product = (): number => {
    let value = factor();
    while (tokens[at] === 'x' || tokens[at] === 'X' || tokens[at] === '/') {
      if (tokens[at++] === '/') value /= factor();
      else value *= factor();
    }
    return value;
  };
  const factor = (): number => {
    if (++depth > DEEPEST) throw new Error('expression is nested too deeply to be read');
    const value = inner(tokens[at++]);
    depth--;
    return value;
  };
  const inner = (token: string | undefined): number => {
    if (token === '-') return -factor();
    if (token === '+') return factor();
    if (token === '(') {
      const value = sum();
      if (tokens[at++] !== ')') throw new Error(`a bracket is not closed in "${text.slice(0, 80)}"`);
      return value;
    }
    if (token === undefined) throw new Error(`"${text.slice(0, 80)}" ends too early`);
    return token.startsWith('$') ? (values.get(Number(token.slice(1))) ?? 0) : Number(token);
  };
  const value = sum();
  if (at < tokens.length || tokens.join('') !== text.replace(/\s+/g, '')) {
    throw new Error(`"${text.slice(0, 80)}" is no expression`);
  }
  return value;
}
