/** Corners of one closed shape, m: x0, y0, x1, y1 … */
export type Contour = readonly number[];

/** One shape of an aperture; clear ones cut what the aperture itself has laid before. */
export interface Shape {
  readonly contour: Contour;
  readonly dark: boolean;
}

/** One object of an image, in order: dark adds copper, clear takes it away. */
export interface ImageObject {
  readonly shapes: readonly Shape[];
  readonly dark: boolean;
}

/** Sides of a circle drawn as a polygon of equal area: 0.1 % of its radius off at most. */
const SIDES = 32;

export function circle(x: number, y: number, diameter: number): Contour {
  // A polygon inside a circle is smaller than it; one of equal area is what coverage needs.
  const radius = (diameter / 2) * Math.sqrt((2 * Math.PI) / (SIDES * Math.sin((2 * Math.PI) / SIDES)));
  return regular(x, y, radius, SIDES, 0);
}

/** Corners of a polygon as a file asks for them: the format has three to twelve (Gerber §4.4.5, from memory). Throws an Error beyond. */
export function sidesOf(asked: number): number {
  if (Number.isInteger(asked) && asked >= 3 && asked <= MOST_SIDES) return asked;
  throw new Error(`polygon has ${asked} corners; 3 to ${MOST_SIDES} are read`);
}

/** More generous than the format, which some programs overstep. */
const MOST_SIDES = 360;

/** A regular polygon by the radius of its corners. */
export function regular(x: number, y: number, radius: number, sides: number, turn_rad: number): Contour {
  const points: number[] = [];
  for (let i = 0; i < sides; i++) {
    const angle = turn_rad + (2 * Math.PI * i) / sides;
    points.push(x + radius * Math.cos(angle), y + radius * Math.sin(angle));
  }
  return points;
}

export const rectangle = (x: number, y: number, width: number, height: number): Contour => [
  x - width / 2, y - height / 2,
  x + width / 2, y - height / 2,
  x + width / 2, y + height / 2,
  x - width / 2, y + height / 2,
]; // prettier-ignore

/** What a round tool sweeps from one point to another. */
export function capsule(x0: number, y0: number, x1: number, y1: number, diameter: number): Contour {
  const length = Math.hypot(x1 - x0, y1 - y0);
  if (length < 1e-9) return circle(x0, y0, diameter);
  const along = Math.atan2(y1 - y0, x1 - x0);
  const radius = diameter / 2;
  const points: number[] = [];
  const half = SIDES / 4;
  for (let i = -half; i <= half; i++) {
    const angle = along + (i / half) * (Math.PI / 2);
    points.push(x1 + radius * Math.cos(angle), y1 + radius * Math.sin(angle));
  }
  for (let i = -half; i <= half; i++) {
    const angle = along + Math.PI + (i / half) * (Math.PI / 2);
    points.push(x0 + radius * Math.cos(angle), y0 + radius * Math.sin(angle));
  }
  return points;
}

export const obround = (x: number, y: number, width: number, height: number): Contour =>
  width >= height
    ? capsule(x - (width - height) / 2, y, x + (width - height) / 2, y, height)
    : capsule(x, y - (height - width) / 2, x, y + (height - width) / 2, width);

/** Convex hull (Andrew's monotone chain, 1979) of what a convex tool covers at both ends of a stroke. */
export function hull(points: readonly (readonly [number, number])[]): Contour {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly (readonly [number, number])[]) => {
    const chain: (readonly [number, number])[] = [];
    for (const p of list) {
      while (chain.length >= 2 && turn(chain.at(-2)!, chain.at(-1)!, p) <= 0) chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())].flat();
}

const turn = (
  a: readonly [number, number],
  b: readonly [number, number],
  c: readonly [number, number],
): number => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

/** Turn, mirror and scale about the origin, then a shift: what LM, LR, LS and a flash do to a shape. */
export interface Transform {
  readonly mirrorX: boolean;
  readonly mirrorY: boolean;
  readonly rotation_rad: number;
  readonly scale: number;
}

export const UPRIGHT: Transform = { mirrorX: false, mirrorY: false, rotation_rad: 0, scale: 1 };

/** Mirror first, then scale and turn, then shift (Gerber format specification §4.9, from memory). */
export function moved(contour: Contour, t: Transform, dx: number, dy: number): Contour {
  const cos = Math.cos(t.rotation_rad) * t.scale;
  const sin = Math.sin(t.rotation_rad) * t.scale;
  const points: number[] = new Array<number>(contour.length);
  for (let i = 0; i < contour.length; i += 2) {
    const x = t.mirrorX ? -contour[i]! : contour[i]!;
    const y = t.mirrorY ? -contour[i + 1]! : contour[i + 1]!;
    points[i] = dx + x * cos - y * sin;
    points[i + 1] = dy + x * sin + y * cos;
  }
  return points;
}

/** Width and height over all shapes together. */
export function extent(shapes: readonly Shape[]): [width: number, height: number] {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { contour } of shapes) {
    for (let i = 0; i < contour.length; i += 2) {
      x0 = Math.min(x0, contour[i]!);
      x1 = Math.max(x1, contour[i]!);
      y0 = Math.min(y0, contour[i + 1]!);
      y1 = Math.max(y1, contour[i + 1]!);
    }
  }
  return [x1 - x0, y1 - y0];
}
