import { FIELD } from '../compiled/bytes';
import { instanceOf } from '../compiled/instance';
import { TABLE, type FieldLoops, type FieldMemory, type Grid } from './loops';

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
  factorInPlane(...addressesThenSizes: number[]): void;
  factorThrough(...addressesThenSizes: number[]): void;
  means(t: number, mean: number, columns: number, nz: number, floor: number): number;
  countOver(): number;
  spreads(...addressesThenSizes: number[]): void;
  topThen(): number;
  bottomThen(): number;
  soften(mean: number, softened: number, area: number, columns: number, softens: number): number;
  age(...addressesThenSizes: number[]): number;
  zones(t: number, softened: number, area: number, columns: number): void;
  zoneAreaThen(): number;
  zoneSumThen(): number;
  restAreaThen(): number;
  restSumThen(): number;
  moved(t: number, seen: number, columns: number, limit: number): number;
  readTables(from: number, rows: number): void;
  followPreheated(...addressesThenSizes: number[]): void;
  followCalm(...addressesThenSizes: number[]): void;
  followBlown(...addressesThenSizes: number[]): void;
}

/** Arrays of a board's cells and of one layer that a run asks for: its mesh, its solver, its films, what it watches. */
const PER_CELL = 13;
const PER_COLUMN = 24;
/** Tables of films against temperature, and the sides' own arrays. */
const TABLES = 10;
const PER_SIDE = 2;

/** A memory of the kernel's own for one board, with all its arrays in it. */
export function compiledMemory({ nx, ny, columns, nz }: Grid): FieldMemory {
  const kernel = instanceOf(FIELD) as unknown as Kernel;
  const arrays = PER_CELL + PER_COLUMN + TABLES + 2 * PER_SIDE;
  kernel.reserve(
    columns * nz * PER_CELL +
      columns * PER_COLUMN +
      TABLE.rows * TABLES +
      (nx + ny) * PER_SIDE +
      // Each begins at an even number.
      2 * arrays,
  );
  kernel.readTables(TABLE.from_K, TABLE.rows);
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
  factorInPlane: ({ inverse, carry }, capacity, link, stride, step_s) =>
    kernel.factorInPlane(
      inverse.byteOffset,
      carry.byteOffset,
      capacity.byteOffset,
      link.byteOffset,
      stride,
      inverse.length,
      step_s,
    ),
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
  spreads: (top_K, bottom_K, { alongX_K, alongY_K }, { x, y }) => {
    kernel.spreads(
      ...[top_K, bottom_K, alongX_K, alongY_K, x, y].map((array) => array.byteOffset),
      x.length,
      y.length,
    );
    return { top_K: kernel.topThen(), bottom_K: kernel.bottomThen() };
  },
  soften: (mean, softened, area, softens_K) =>
    kernel.soften(mean.byteOffset, softened.byteOffset, area.byteOffset, mean.length, softens_K) !== 0,
  age: (mean, dose, area, { floor_K, spacing_K, rates_1_s }, step_s) =>
    kernel.age(
      ...[mean, dose, area, rates_1_s].map((array) => array.byteOffset),
      rates_1_s.length - 2,
      mean.length,
      floor_K,
      spacing_K,
      step_s,
    ),
  zones: (t, softened, area) => {
    kernel.zones(t.byteOffset, softened.byteOffset, area.byteOffset, area.length);
    return {
      zone_m2: kernel.zoneAreaThen(),
      zone_m2K: kernel.zoneSumThen(),
      rest_m2: kernel.restAreaThen(),
      rest_m2K: kernel.restSumThen(),
    };
  },
  moved: (t, seen, limit_K) => kernel.moved(t.byteOffset, seen.byteOffset, t.length, limit_K) !== 0,
  followPreheated: (t, { hot_W_K, warmth, still_W_K }, { area_m2, open }, source, factor) =>
    kernel.followPreheated(
      ...[t, hot_W_K, warmth, still_W_K, area_m2, open, source].map((array) => array.byteOffset),
      t.length,
      factor,
    ),
  followCalm: (t, { hot_W_K, still_W_K }, { area_m2, open, emit }, { natural, radiant }) =>
    kernel.followCalm(
      ...[t, hot_W_K, still_W_K, area_m2, open, emit, natural, radiant].map((array) => array.byteOffset),
      t.length,
    ),
  followBlown: (
    t,
    { hot_W_K, warmth, still_W_K },
    { area_m2, open, emit },
    { natural, radiant },
    jet,
    ambient_K,
  ) =>
    kernel.followBlown(
      ...[t, hot_W_K, warmth, still_W_K, area_m2, open, emit, natural, radiant].map(
        (array) => array.byteOffset,
      ),
      ...[jet.warming, jet.nozzle_W_m2K, jet.base_W_m2K, jet.mouth, jet.taken_W_K, jet.against_W].map(
        (array) => array.byteOffset,
      ),
      t.length,
      ambient_K,
    ),
});
