import type { Frame } from './paint';

/** A part of a picture, in its pixels: the first column and row, and how many. */
export interface Window {
  readonly column: number;
  readonly row: number;
  readonly nx: number;
  readonly ny: number;
}

/** The pixels within a distance of a place along both axes, as far as the picture goes. */
export function windowAbout(frame: Frame, x_m: number, y_m: number, reach_m: number): Window {
  const first = (at_m: number): number => Math.max(0, Math.floor((at_m - reach_m) / frame.pixel_m));
  const end = (at_m: number, most: number): number =>
    Math.min(most, Math.ceil((at_m + reach_m) / frame.pixel_m));
  const [column, row] = [first(x_m - frame.x_m), first(y_m - frame.y_m)];
  return {
    column,
    row,
    nx: Math.max(0, end(x_m - frame.x_m, frame.nx) - column),
    ny: Math.max(0, end(y_m - frame.y_m, frame.ny) - row),
  };
}

/** Values of the cells that a flood runs over; a picture's copper is open. */
export const OPEN = 1;
export const REACHED = 2;

/** A window's part of a picture, as cells to be flooded. */
export function cellsOf(image: Uint8Array, frame: Frame, { column, row, nx, ny }: Window): Uint8Array {
  const cells = new Uint8Array(nx * ny);
  for (let j = 0; j < ny; j++) {
    const from = (row + j) * frame.nx + column;
    cells.set(image.subarray(from, from + nx), j * nx);
  }
  return cells;
}

/**
 * Floods open cells from those that are reached already, over their sides alone: a gap of one cell stops it, on a slant
 * too.
 */
export function flood(cells: Uint8Array, nx: number): void {
  // A cell is laid down once, when it is reached.
  const queue = new Int32Array(cells.length);
  let waiting = 0;
  for (let cell = 0; cell < cells.length; cell++) if (cells[cell] === REACHED) queue[waiting++] = cell;
  while (waiting > 0) {
    const cell = queue[--waiting]!;
    const column = cell % nx;
    if (column > 0 && cells[cell - 1] === OPEN) {
      cells[cell - 1] = REACHED;
      queue[waiting++] = cell - 1;
    }
    if (column < nx - 1 && cells[cell + 1] === OPEN) {
      cells[cell + 1] = REACHED;
      queue[waiting++] = cell + 1;
    }
    if (cells[cell - nx] === OPEN) {
      cells[cell - nx] = REACHED;
      queue[waiting++] = cell - nx;
    }
    if (cells[cell + nx] === OPEN) {
      cells[cell + nx] = REACHED;
      queue[waiting++] = cell + nx;
    }
  }
}

/** How many separate patches the cells of a list make, touching at corners too; single cells are noise. */
export function patches(list: readonly number[], nx: number): number {
  const left = new Set(list);
  let count = 0;
  for (const start of list) {
    if (!left.delete(start)) continue;
    const queue = [start];
    let size = 0;
    for (let cell = queue.pop(); cell !== undefined; cell = queue.pop()) {
      size++;
      for (const next of [-nx - 1, -nx, -nx + 1, -1, 1, nx - 1, nx, nx + 1])
        if (left.delete(cell + next)) queue.push(cell + next);
    }
    if (size > 1) count++;
  }
  return count;
}
