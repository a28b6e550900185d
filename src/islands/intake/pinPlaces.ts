/** Where a part's pins stand, in mm: "0 0; 5 0; 2.5 -6.3", a pin after each semicolon or line. */

export type PlaceMm = [x_mm: number, y_mm: number];

/** Reads what was typed. A place that is no two numbers becomes one that its schema refuses. */
export const placesOf = (text: string): PlaceMm[] =>
  text
    .split(/[;\n]/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part): PlaceMm => {
      const [x, y, ...more] = part.split(/\s+/).map((word) => Number(word.replace(',', '.')));
      return more.length > 0 ? [Number.NaN, Number.NaN] : [x ?? Number.NaN, y ?? Number.NaN];
    });

export const placesText = (places: readonly (readonly [number, number])[]): string =>
  places.map(([x_mm, y_mm]) => `${rounded(x_mm)} ${rounded(y_mm)}`).join('; ');

/** A hand on a picture is no finer. */
const STEP_mm = 0.25;

/** A point of the picture as a place. */
export const snapped = (x_mm: number, y_mm: number): PlaceMm => [
  STEP_mm * Math.round(x_mm / STEP_mm),
  STEP_mm * Math.round(y_mm / STEP_mm),
];

const rounded = (value_mm: number): string => String(Number(value_mm.toFixed(3)));
