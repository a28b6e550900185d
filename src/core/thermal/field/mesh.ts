import { polygonContains } from 'd3-polygon';
import { cellAt, evenAxis, type Axes } from './axis';
import { compiledMemory } from './compiledLoops';
import type { FieldMemory, Grid } from './loops';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { FIELD } from './settings';
import { effectiveFraction, layerDepth_m, type Board } from '../stackup';

/** Corners of a board in order, m, in the board's own coordinates. */
type Polygon = readonly (readonly [x_m: number, y_m: number])[];

/** Copper cover of one layer over the board's rectangle, row by row from y = 0; shares 0 to 1. */
export interface CoverageMap {
  readonly nx: number;
  readonly ny: number;
  readonly share: Float32Array | readonly number[];
}

export interface FieldBoard extends Board {
  /** Left out, the board is its rectangle. */
  readonly outline?: Polygon | undefined;
  /** One entry per copper layer; null takes the layer's stated coverage. */
  readonly maps?: readonly (CoverageMap | null)[] | undefined;
}

/** Uncertain board data as factors on their nominal values. */
export interface BoardFactors {
  readonly copper: number;
  readonly laminate: number;
}

/**
 * A board cut into cells, nz layers of ny rows of nx (layer 0 is the top face). Links are in W/K and
 * stand at the lower of the two cells they join; a link that leaves the board is zero.
 */
export interface FieldMesh extends Axes {
  readonly nx: number;
  readonly ny: number;
  readonly nz: number;
  readonly columns: number;
  readonly inside: Uint8Array;
  /** Of each column on the board, m²; zero beyond its outline. */
  readonly area_m2: Float64Array;
  readonly capacity_J_K: Float64Array;
  readonly linkX_W_K: Float64Array;
  readonly linkY_W_K: Float64Array;
  /** (nz − 1) · columns. */
  readonly linkZ_W_K: Float64Array;
  /** Layer of the mesh that holds each copper layer. */
  readonly layerOfCopper: readonly number[];
  /** Depth of each layer's middle, m. */
  readonly depth_m: readonly number[];
  /** Where its arrays lie, and all that belong to a run over it. */
  readonly memory: FieldMemory;
}

/** `grid` is the size of even cells, m, or how both sides are cut. */
export function fieldMesh(
  board: FieldBoard,
  grid: number | Axes,
  nz: number,
  factors: BoardFactors = { copper: 1, laminate: 1 },
  memoryFor: (grid: Grid) => FieldMemory = compiledMemory,
): FieldMesh {
  const { x, y } = typeof grid === 'number' ? evenAxes(board, grid) : grid;
  const [nx, ny] = [x.count, y.count];
  const columns = nx * ny;
  const laminate = LAMINATES[board.laminate];
  const gap_m = board.thickness_m / (nz - 1);
  const depth_m = Array.from({ length: nz }, (_, k) => k * gap_m);
  const layerOfCopper = board.copper.map((_, i) => Math.round(layerDepth_m(board, i + 1) / gap_m));

  const edge = board.outline?.map(([x, y]): [number, number] => [x, y]);
  const memory = memoryFor({ nx, ny, nz, columns });
  const inside = new Uint8Array(columns);
  const area_m2 = memory.array(columns);
  const cell_m2 = new Float64Array(columns);
  for (let j = 0, c = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++, c++) {
      const within = !edge || polygonContains(edge, [x.middles_m[i]!, y.middles_m[j]!]);
      inside[c] = within ? 1 : 0;
      cell_m2[c] = x.sizes_m[i]! * y.sizes_m[j]!;
      area_m2[c] = within ? cell_m2[c]! : 0;
    }
  }

  const capacity_J_K = memory.array(columns * nz);
  const sheet_W_K = new Float64Array(columns * nz);
  for (let k = 0; k < nz; k++) {
    // The faces hold half a layer of laminate each.
    const laminate_m = k === 0 || k === nz - 1 ? gap_m / 2 : gap_m;
    const inPlane_W_K = laminate.conductivityInPlane.value * factors.laminate * laminate_m;
    const heat_J_m2K = laminate.volumetricHeat.value * laminate_m;
    for (let c = 0; c < columns; c++) {
      capacity_J_K[k * columns + c] = heat_J_m2K * cell_m2[c]!;
      sheet_W_K[k * columns + c] = inPlane_W_K;
    }
  }
  board.copper.forEach((layer, index) => {
    const base = layerOfCopper[index]! * columns;
    const foil_W_K = COPPER.conductivity.value * factors.copper * layer.thickness_m;
    const foil_J_m2K = COPPER.volumetricHeat.value * layer.thickness_m;
    const map = board.maps?.[index] ?? null;
    const told_W_K = foil_W_K * effectiveFraction(layer.coverage);
    for (let j = 0, c = 0; j < ny; j++) {
      for (let i = 0; i < nx; i++, c++) {
        const at = base + c;
        const share = map
          ? sample(map, x.middles_m[i]! / board.length_m, y.middles_m[j]! / board.width_m)
          : layer.coverage;
        sheet_W_K[at] = sheet_W_K[at]! + (map ? foil_W_K * effectiveFraction(share) : told_W_K);
        capacity_J_K[at] = capacity_J_K[at]! + foil_J_m2K * share * cell_m2[c]!;
      }
    }
  });

  const linkX_W_K = memory.array(columns * nz);
  const linkY_W_K = memory.array(columns * nz);
  const linkZ_W_K = memory.array(columns * (nz - 1));
  // Half a cell each, one after the other, over the width that they share.
  const between = (a_W_K: number, a_m: number, b_W_K: number, b_m: number): number =>
    (2 * a_W_K * b_W_K) / (a_m * b_W_K + b_m * a_W_K);
  const through_W_m2K = (laminate.conductivityThrough.value * factors.laminate) / gap_m;
  for (let k = 0, here = 0; k < nz; k++) {
    for (let j = 0, c = 0; j < ny; j++) {
      const dy_m = y.sizes_m[j]!;
      for (let i = 0; i < nx; i++, c++, here++) {
        if (inside[c] === 0) continue;
        const dx_m = x.sizes_m[i]!;
        const own_W_K = sheet_W_K[here]!;
        if (i + 1 < nx && inside[c + 1] !== 0)
          linkX_W_K[here] = dy_m * between(own_W_K, dx_m, sheet_W_K[here + 1]!, x.sizes_m[i + 1]!);
        if (j + 1 < ny && inside[c + nx] !== 0)
          linkY_W_K[here] = dx_m * between(own_W_K, dy_m, sheet_W_K[here + nx]!, y.sizes_m[j + 1]!);
        if (k + 1 < nz) linkZ_W_K[here] = through_W_m2K * cell_m2[c]!;
      }
    }
  }
  return {
    x,
    y,
    nx,
    ny,
    nz,
    columns,
    inside,
    area_m2,
    capacity_J_K,
    linkX_W_K,
    linkY_W_K,
    linkZ_W_K,
    layerOfCopper,
    depth_m,
    memory,
  };
}

/** Layers of the mesh for a board: one at each copper layer where there are three to six, else both faces and the middle. */
export function layersFor(board: FieldBoard): number {
  const copper = board.copper.length;
  return copper >= FIELD.layers && copper <= FIELD.mostLayers ? copper : FIELD.layers;
}

export const evenAxes = ({ length_m, width_m }: Board, pitch_m: number): Axes => ({
  x: evenAxis(length_m, pitch_m),
  y: evenAxis(width_m, pitch_m),
});

/** Column that holds a place; places beyond the rectangle take its nearest column. */
export const columnAt = ({ x, y, nx }: FieldMesh, x_m: number, y_m: number): number =>
  cellAt(y, y_m) * nx + cellAt(x, x_m);

/** Of the cell that holds a place, m². */
export const cellArea_m2 = ({ x, y }: FieldMesh, x_m: number, y_m: number): number =>
  x.sizes_m[cellAt(x, x_m)]! * y.sizes_m[cellAt(y, y_m)]!;

/** Share of copper in one layer (from 0) at a place: as its picture shows it, else as it was told. */
export function coverageAt(board: FieldBoard, layer: number, x_m: number, y_m: number): number {
  const map = board.maps?.[layer];
  return map ? sample(map, x_m / board.length_m, y_m / board.width_m) : board.copper[layer]!.coverage;
}

/** Coverage at a place given as shares of length and width, bilinear between raster centres. */
function sample(map: CoverageMap, u: number, v: number): number {
  const x = Math.min(map.nx - 1, Math.max(0, u * map.nx - 0.5));
  const y = Math.min(map.ny - 1, Math.max(0, v * map.ny - 0.5));
  const i = Math.min(map.nx - 1, Math.floor(x));
  const j = Math.min(map.ny - 1, Math.floor(y));
  const right = Math.min(map.nx - 1, i + 1);
  const up = Math.min(map.ny - 1, j + 1);
  const at = (column: number, row: number): number => map.share[row * map.nx + column]!;
  const low = at(i, j) + (x - i) * (at(right, j) - at(i, j));
  const high = at(i, up) + (x - i) * (at(right, up) - at(i, up));
  return low + (y - j) * (high - low);
}
