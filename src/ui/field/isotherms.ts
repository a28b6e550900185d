import { contours } from 'd3-contour';

/** One closed area of a face at or above a temperature, as an SVG path in mm, y downward. */
export interface Band {
  readonly value_C: number;
  readonly path: string;
}

interface Grid {
  readonly nx: number;
  readonly ny: number;
  readonly length_mm: number;
  readonly width_mm: number;
}

/**
 * Areas at or above each threshold. Rows come from y = 0 up; the picture counts down. Places off the
 * board are cold, so bands end at its outline.
 */
export function bandsOf(
  field_C: Float32Array,
  inside: Uint8Array,
  { nx, ny, length_mm, width_mm }: Grid,
  thresholds_C: readonly number[],
): Band[] {
  const values = Array.from(field_C, (value, c) => (inside[c] ? value : -273));
  const found = contours()
    .size([nx, ny])
    .smooth(true)
    .thresholds([...thresholds_C])(values);
  const x = (i: number): string => ((i / nx) * length_mm).toFixed(2);
  const y = (j: number): string => (width_mm - (j / ny) * width_mm).toFixed(2);
  return found.map((area) => ({
    value_C: area.value,
    path: area.coordinates
      .flatMap((polygon) => polygon.map((ring) => `M${ring.map(([i, j]) => `${x(i!)} ${y(j!)}`).join('L')}Z`))
      .join(''),
  }));
}

/** Steps of the wash, °C: ten of them, darker as they rise. */
export const WASH_C = [40, 60, 80, 100, 125, 150, 175, 225, 250, 275] as const;

/** The line that parts not meant for rework must stay under. */
export const BODY_LINE_C = 200;
