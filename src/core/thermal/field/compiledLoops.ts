import { FIELD } from '../compiled/bytes';
import { instanceOf } from '../compiled/instance';
import type { FieldLoops, FieldMemory, Grid } from './loops';

/** Exports of kernels/field.ts; every array by its address. */
interface Kernel {
  readonly memory: WebAssembly.Memory;
  reserve(words: number): void;
  take(words: number): number;
  residual(...addressesThenSizes: number[]): void;
  sweepAlong(w: number, inverse: number, carry: number, nx: number, cells: number): void;
  sweepAcross(
    w: number,
    capacity: number,
    inverse: number,
    carry: number,
    stride: number,
    cells: number,
  ): void;
  face(...addressesThenSizes: number[]): void;
  flows(...addressesThenSizes: number[]): void;
  givenThen(): number;
  lostThen(): number;
  accept(t: number, w: number, cells: number): number;
  factorThrough(...addressesThenSizes: number[]): void;
  means(t: number, mean: number, columns: number, nz: number, floor: number): number;
  countOver(): number;
  spreads(top: number, bottom: number, alongX: number, alongY: number, nx: number, ny: number): void;
  topThen(): number;
  bottomThen(): number;
}

/** Arrays of a board's cells and of one layer that a run asks for: its mesh, its solver, its films, what it watches. */
const PER_CELL = 13;
const PER_COLUMN = 10;

/** A memory of the kernel's own for one board, with all its arrays in it. */
export function compiledMemory({ columns, nz }: Grid): FieldMemory {
  const kernel = instanceOf(FIELD) as unknown as Kernel;
  kernel.reserve(columns * nz * PER_CELL + columns * PER_COLUMN + 2 * (PER_CELL + PER_COLUMN));
  const { buffer } = kernel.memory;
  return {
    array: (length) => new Float64Array(buffer, kernel.take(length), length),
    loops: loopsOf(kernel),
  };
}

const loopsOf = (kernel: Kernel): FieldLoops => ({
  residual: (t, r, links, { nx, columns }, step_s) =>
    kernel.residual(
      t.byteOffset,
      r.byteOffset,
      links.linkX_W_K.byteOffset,
      links.linkY_W_K.byteOffset,
      links.linkZ_W_K.byteOffset,
      nx,
      columns,
      t.length,
      step_s,
    ),
  sweepAlong: (w, inverse, carry, nx) =>
    kernel.sweepAlong(w.byteOffset, inverse.byteOffset, carry.byteOffset, nx, w.length),
  sweepAcross: (w, capacity, inverse, carry, stride) =>
    kernel.sweepAcross(
      w.byteOffset,
      capacity.byteOffset,
      inverse.byteOffset,
      carry.byteOffset,
      stride,
      w.length,
    ),
  face: (t, r, { hot_W_K, warmth, still_W_K }, step_s, { excess_K, ambient_K }) =>
    kernel.face(
      t.byteOffset,
      r.byteOffset,
      hot_W_K.byteOffset,
      warmth.byteOffset,
      still_W_K.byteOffset,
      hot_W_K.length,
      step_s,
      excess_K,
      ambient_K,
    ),
  flows: (t, { hot_W_K, warmth, still_W_K }, { excess_K, ambient_K }) => {
    kernel.flows(
      t.byteOffset,
      hot_W_K.byteOffset,
      warmth.byteOffset,
      still_W_K.byteOffset,
      hot_W_K.length,
      excess_K,
      ambient_K,
    );
    return { in_W: kernel.givenThen(), lost_W: kernel.lostThen() };
  },
  accept: (t, w) => kernel.accept(t.byteOffset, w.byteOffset, t.length),
  factorThrough: ({ inverse, carry }, of, { columns, nz }, step_s) =>
    kernel.factorThrough(
      inverse.byteOffset,
      carry.byteOffset,
      of.capacity_J_K.byteOffset,
      of.linkZ_W_K.byteOffset,
      of.bodyLink_W_K.byteOffset,
      of.top.hot_W_K.byteOffset,
      of.top.still_W_K.byteOffset,
      of.bottom.hot_W_K.byteOffset,
      of.bottom.still_W_K.byteOffset,
      columns,
      nz,
      step_s,
    ),
  means: (t, mean, { columns, nz }, floor_K) => ({
    hottest_K: kernel.means(t.byteOffset, mean.byteOffset, columns, nz, floor_K),
    over: kernel.countOver(),
  }),
  spreads: (top_K, bottom_K, { alongX_K, alongY_K }, { nx, ny }) => {
    kernel.spreads(top_K.byteOffset, bottom_K.byteOffset, alongX_K.byteOffset, alongY_K.byteOffset, nx, ny);
    return { top_K: kernel.topThen(), bottom_K: kernel.bottomThen() };
  },
});
