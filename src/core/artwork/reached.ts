import { cellsOf, flood, OPEN, REACHED, windowAbout } from './flood';
import { awayFrom, halfDiagonal_m, halfSide_m, hasCorners, type Land } from './landShape';
import type { Frame } from './paint';

/** A pad to be looked for in a layer's picture: its land and hole, and other parts' lands near it. */
export interface PadOnCopper extends Land {
  readonly hole_m: number | null;
  /** Copper that runs into one of them ends there. */
  readonly others: readonly Land[];
}

/** About a hole of unknown picture its land begins at once; planes keep further away (0.2 mm up, common practice). */
const ANNULUS_m = 0.1e-3;

/** Cells about a land, which of them its copper reaches, and each one's distance from its edge. */
export interface Reached {
  readonly cells: Uint8Array;
  readonly away_m: Float32Array;
  readonly nx: number;
  /** From so far inside the land's edge its rings are read: a layer's land may be smaller than the face's. */
  readonly depth_m: number;
  readonly meetsOther: boolean;
}

const TAKEN = 3;

/** The copper of a layer that can be reached from a land without crossing a gap, to `reach_m` past its edge. */
export function reachedFrom(image: Uint8Array, frame: Frame, pad: PadOnCopper, reach_m: number): Reached {
  const half_m = halfSide_m(pad);
  const window = windowAbout(frame, pad.x_m, pad.y_m, halfDiagonal_m(pad) + reach_m);
  const { nx } = window;
  const cells = cellsOf(image, frame, window);
  const away_m = awayFrom(pad, hasCorners(pad, image, frame), frame, window);
  for (let cell = 0; cell < cells.length; cell++) if (away_m[cell]! > reach_m) cells[cell] = 0;
  for (const other of pad.others) take(other, cells, away_m, frame, window);
  if (pad.hole_m === null) {
    for (let cell = 0; cell < cells.length; cell++)
      if (cells[cell] === OPEN && away_m[cell]! < -half_m / 3) cells[cell] = REACHED;
  } else seedAbout(pad, pad.hole_m / 2 + ANNULUS_m, cells, frame, window);
  flood(cells, nx);
  return {
    cells,
    away_m,
    nx,
    depth_m: pad.hole_m === null ? half_m / 2 : Math.max(0, half_m - pad.hole_m / 2 - ANNULUS_m),
    meetsOther: meets(cells, nx),
  };
}

type Window = ReturnType<typeof windowAbout>;

/** Copper about a place is where a flood begins: a hole's own, for a layer may leave its land out. */
function seedAbout(at: Land, within_m: number, cells: Uint8Array, frame: Frame, window: Window): void {
  const near = windowAbout(frame, at.x_m, at.y_m, within_m);
  for (let row = near.row; row < near.row + near.ny; row++) {
    const dy = frame.y_m + (row + 0.5) * frame.pixel_m - at.y_m;
    for (let column = near.column; column < near.column + near.nx; column++) {
      const dx = frame.x_m + (column + 0.5) * frame.pixel_m - at.x_m;
      const cell = (row - window.row) * window.nx + column - window.column;
      if (dx * dx + dy * dy < within_m * within_m && cells[cell] === OPEN) cells[cell] = REACHED;
    }
  }
}

/** Marks another land's cells past this one's edge, so that no flood goes through them. */
function take(other: Land, cells: Uint8Array, away_m: Float32Array, frame: Frame, window: Window): void {
  const near = windowAbout(frame, other.x_m, other.y_m, halfDiagonal_m(other));
  const [cos, sin] = [Math.cos(other.turn_rad), Math.sin(other.turn_rad)];
  const columns = [
    Math.max(near.column, window.column),
    Math.min(near.column + near.nx, window.column + window.nx),
  ];
  const rows = [Math.max(near.row, window.row), Math.min(near.row + near.ny, window.row + window.ny)];
  for (let row = rows[0]!; row < rows[1]!; row++) {
    const dy = frame.y_m + (row + 0.5) * frame.pixel_m - other.y_m;
    for (let column = columns[0]!; column < columns[1]!; column++) {
      const dx = frame.x_m + (column + 0.5) * frame.pixel_m - other.x_m;
      const cell = (row - window.row) * window.nx + column - window.column;
      if (cells[cell] !== OPEN || away_m[cell]! <= 0) continue;
      if (Math.abs(dx * cos + dy * sin) > other.width_m / 2) continue;
      if (Math.abs(dy * cos - dx * sin) < other.height_m / 2) cells[cell] = TAKEN;
    }
  }
}

function meets(cells: Uint8Array, nx: number): boolean {
  for (let cell = 0; cell < cells.length; cell++) {
    if (cells[cell] !== TAKEN) continue;
    if (cells[cell + 1] === REACHED || cells[cell - 1] === REACHED) return true;
    if (cells[cell + nx] === REACHED || cells[cell - nx] === REACHED) return true;
  }
  return false;
}

/** Of the board within `reach_m` of a pad's middle, less the pad and `about_m` round it: the share that its own copper covers. */
export function shareReached(
  image: Uint8Array,
  frame: Frame,
  pad: PadOnCopper,
  reach_m: number,
  about_m: number,
): number {
  const window = windowAbout(frame, pad.x_m, pad.y_m, reach_m);
  const cells = cellsOf(image, frame, window);
  seedAbout(
    pad,
    pad.hole_m === null ? halfSide_m(pad) / 2 : pad.hole_m / 2 + ANNULUS_m,
    cells,
    frame,
    window,
  );
  flood(cells, window.nx);
  const [near, far] = [(halfSide_m(pad) + about_m) ** 2, reach_m ** 2];
  let got = 0;
  let all = 0;
  for (let j = 0, cell = 0; j < window.ny; j++) {
    const dy = frame.y_m + (window.row + j + 0.5) * frame.pixel_m - pad.y_m;
    for (let i = 0; i < window.nx; i++, cell++) {
      const dx = frame.x_m + (window.column + i + 0.5) * frame.pixel_m - pad.x_m;
      const away = dx * dx + dy * dy;
      if (away < near || away > far) continue;
      all++;
      if (cells[cell] === REACHED) got++;
    }
  }
  return all === 0 ? 1 : got / all;
}
