import type { Window } from './flood';
import { copperAt, type Frame } from './paint';

/** A land as a file tells it: its sides, m, and how it is turned. */
export interface Land {
  readonly x_m: number;
  readonly y_m: number;
  readonly width_m: number;
  readonly height_m: number;
  readonly turn_rad: number;
}

export const halfSide_m = ({ width_m, height_m }: Land): number => Math.min(width_m, height_m) / 2;
export const halfDiagonal_m = ({ width_m, height_m }: Land): number => Math.hypot(width_m, height_m) / 2;

/** Lands smaller than this differ by less than a clearance, whether their corners are round or not. */
const SMALL_m = 0.4e-3;

/** Where a circle would have left a land with corners, and where spokes at right angles and at 45° are not met. */
const BESIDE_CORNERS = [-1, 1].flatMap((across) =>
  [-1, 1].flatMap((up) => [[across * 0.95, up * 0.55] as const, [across * 0.55, up * 0.95] as const]),
);

/** Whether a land has corners, which its picture tells and a file of its sides does not. */
export function hasCorners(land: Land, image: Uint8Array, frame: Frame): boolean {
  const half_m = halfSide_m(land);
  if (half_m < SMALL_m) return true;
  const [cos, sin] = [Math.cos(land.turn_rad), Math.sin(land.turn_rad)];
  let corners = 0;
  for (const [u, v] of BESIDE_CORNERS) {
    const across = Math.sign(u) * (land.width_m / 2 - half_m * (1 - Math.abs(u)));
    const up = Math.sign(v) * (land.height_m / 2 - half_m * (1 - Math.abs(v)));
    const [x_m, y_m] = [land.x_m + across * cos - up * sin, land.y_m + across * sin + up * cos];
    corners += copperAt(image, frame, x_m, y_m);
  }
  return corners >= 6;
}

/**
 * Signed distance of each cell of a window to a land's edge, m, inside below zero: a rectangle with corners, without them the
 * round-ended shape of the same sides, which is a circle where both are alike.
 */
export function awayFrom(land: Land, corners: boolean, frame: Frame, window: Window): Float32Array {
  const round_m = corners ? 0 : halfSide_m(land);
  const [a_m, b_m] = [land.width_m / 2 - round_m, land.height_m / 2 - round_m];
  const [cos, sin] = [Math.cos(land.turn_rad), Math.sin(land.turn_rad)];
  const away_m = new Float32Array(window.nx * window.ny);
  for (let j = 0, cell = 0; j < window.ny; j++) {
    const dy = frame.y_m + (window.row + j + 0.5) * frame.pixel_m - land.y_m;
    for (let i = 0; i < window.nx; i++, cell++) {
      const dx = frame.x_m + (window.column + i + 0.5) * frame.pixel_m - land.x_m;
      const across = Math.abs(dx * cos + dy * sin) - a_m;
      const up = Math.abs(dy * cos - dx * sin) - b_m;
      const out = across > 0 && up > 0 ? Math.sqrt(across * across + up * up) : Math.max(across, up);
      away_m[cell] = out - round_m;
    }
  }
  return away_m;
}
