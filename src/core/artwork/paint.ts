import { inOneGo } from '../stepwise';
import type { Contour, ImageObject } from './shapes';

/** A rectangle of the plane cut into square pixels, row by row from its lower edge. */
export interface Frame {
  readonly x_m: number;
  readonly y_m: number;
  readonly nx: number;
  readonly ny: number;
  readonly pixel_m: number;
}

/** Pixels of a board's copper: a track or a gap of 0.1 mm is two of them wide. Coarser where there would be too many. */
const PIXEL_m = 0.05e-3;
const MOST_PIXELS = 24_000_000;

export function frameFor(x_m: number, y_m: number, width_m: number, height_m: number): Frame {
  const pixel_m = Math.max(PIXEL_m, Math.sqrt((width_m * height_m) / MOST_PIXELS));
  return {
    x_m,
    y_m,
    nx: Math.max(1, Math.ceil(width_m / pixel_m - 1e-9)),
    ny: Math.max(1, Math.ceil(height_m / pixel_m - 1e-9)),
    pixel_m,
  };
}

/** Objects between two words of progress. */
const AT_A_TIME = 256;

/** 1 where a place is copper; beyond the picture there is none. */
export function copperAt(image: Uint8Array, frame: Frame, x_m: number, y_m: number): 0 | 1 {
  const column = Math.floor((x_m - frame.x_m) / frame.pixel_m);
  const row = Math.floor((y_m - frame.y_m) / frame.pixel_m);
  if (column < 0 || column >= frame.nx || row < 0 || row >= frame.ny) return 0;
  return image[row * frame.nx + column] === 1 ? 1 : 0;
}

/**
 * Paints objects in their order, dark and clear; 1 where copper is left. An aperture's own clear shapes cut
 * only the aperture, so objects of several shapes are made aside first.
 */
export const paint = (objects: readonly ImageObject[], frame: Frame): Uint8Array =>
  inOneGo(painting(objects, frame));

/** The same, with the share that is painted between some hundreds of objects. */
export function* painting(objects: readonly ImageObject[], frame: Frame): Generator<number, Uint8Array> {
  const image = new Uint8Array(frame.nx * frame.ny);
  let aside: Uint8Array | null = null;
  const filler = new Filler(frame);
  for (const [done, { shapes, dark }] of objects.entries()) {
    if (done % AT_A_TIME === AT_A_TIME - 1) yield done / objects.length;
    if (shapes.length === 1) {
      if (shapes[0]!.dark) filler.fill(shapes[0]!.contour, image, dark ? 1 : 0);
      continue;
    }
    aside ??= new Uint8Array(image.length);
    for (const shape of shapes) filler.fill(shape.contour, aside, shape.dark ? 1 : 0);
    // Only pixels that the aperture touched: its first shapes bound the rest.
    for (const shape of shapes) {
      if (shape.dark) filler.carry(shape.contour, aside, image, dark ? 1 : 0);
    }
  }
  return image;
}

/** So few are sorted as they come. */
const FEW = 24;

/** Heights at which a contour is crossed, one way: kept sorted while they are few, sorted at the end where they are many. */
class Crossings {
  at = new Float64Array(64);
  count = 0;

  add(x: number): void {
    if (this.count === this.at.length) {
      const wider = new Float64Array(2 * this.count);
      wider.set(this.at);
      this.at = wider;
    }
    let place = this.count++;
    if (place < FEW) {
      while (place > 0 && this.at[place - 1]! > x) {
        this.at[place] = this.at[place - 1]!;
        place--;
      }
    }
    this.at[place] = x;
  }

  settle(): void {
    if (this.count > FEW) this.at.subarray(0, this.count).sort();
  }
}

/** Scan-line filling by winding number, a pixel being in where its middle is. */
class Filler {
  private readonly up = new Crossings();
  private readonly down = new Crossings();

  constructor(private readonly frame: Frame) {}

  fill(contour: Contour, into: Uint8Array, value: 0 | 1): void {
    this.spans(contour, (from, to) => into.fill(value, from, to));
  }

  /** Moves what stands aside within a contour's rows into the image, and clears it there. */
  carry(contour: Contour, aside: Uint8Array, image: Uint8Array, value: 0 | 1): void {
    this.spans(contour, (from, to) => {
      for (let i = from; i < to; i++) {
        if (aside[i] === 1) {
          image[i] = value;
          aside[i] = 0;
        }
      }
    });
  }

  private spans(contour: Contour, take: (from: number, to: number) => void): void {
    const { y_m, nx, ny, pixel_m } = this.frame;
    let low = Infinity;
    let high = -Infinity;
    for (let i = 1; i < contour.length; i += 2) {
      low = Math.min(low, contour[i]!);
      high = Math.max(high, contour[i]!);
    }
    const first = Math.max(0, Math.ceil((low - y_m) / pixel_m - 0.5));
    const last = Math.min(ny - 1, Math.floor((high - y_m) / pixel_m - 0.5));
    for (let row = first; row <= last; row++) {
      this.cross(contour, y_m + (row + 0.5) * pixel_m);
      this.filled(row * nx, take);
    }
  }

  /** Both ways' crossings from left to right; inside lies where they do not cancel. */
  private filled(row: number, take: (from: number, to: number) => void): void {
    const { up, down } = this;
    const [x_m, nx, pixel_m] = [this.frame.x_m, this.frame.nx, this.frame.pixel_m];
    let [i, j, winding, began] = [0, 0, 0, 0];
    while (i < up.count || j < down.count) {
      const rises = j >= down.count || (i < up.count && up.at[i]! <= down.at[j]!);
      const x = rises ? up.at[i++]! : down.at[j++]!;
      const before = winding;
      winding += rises ? 1 : -1;
      if (before === 0) began = x;
      else if (winding === 0) {
        const from = Math.max(0, Math.ceil((began - x_m) / pixel_m - 0.5));
        const to = Math.min(nx, Math.ceil((x - x_m) / pixel_m - 0.5));
        if (to > from) take(row + from, row + to);
      }
    }
  }

  /** Where a contour crosses a height, by the way it goes. */
  private cross(contour: Contour, y: number): void {
    this.up.count = 0;
    this.down.count = 0;
    const points = contour.length;
    for (let i = 0; i < points; i += 2) {
      const [y0, y1] = [contour[i + 1]!, contour[i + 3 < points ? i + 3 : i + 3 - points]!];
      if (y0 <= y === y1 <= y) continue;
      const [x0, x1] = [contour[i]!, contour[i + 2 < points ? i + 2 : 0]!];
      (y1 > y0 ? this.up : this.down).add(x0 + ((y - y0) * (x1 - x0)) / (y1 - y0));
    }
    this.up.settle();
    this.down.settle();
  }
}

/** Share of each coarse cell that is painted, row by row from the lower edge. */
export function shares(image: Uint8Array, frame: Frame, nx: number, ny: number): Float32Array {
  const sum = new Float32Array(nx * ny);
  const count = new Uint32Array(nx * ny);
  for (let row = 0; row < frame.ny; row++) {
    const j = Math.min(ny - 1, Math.floor((row * ny) / frame.ny));
    for (let column = 0; column < frame.nx; column++) {
      const cell = j * nx + Math.min(nx - 1, Math.floor((column * nx) / frame.nx));
      sum[cell]! += image[row * frame.nx + column]!;
      count[cell]!++;
    }
  }
  for (let cell = 0; cell < sum.length; cell++) if (count[cell]! > 0) sum[cell]! /= count[cell]!;
  return sum;
}
