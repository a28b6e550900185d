import { polygonContains } from 'd3-polygon';
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
export interface FieldMesh {
  readonly nx: number;
  readonly ny: number;
  readonly nz: number;
  readonly dx_m: number;
  readonly dy_m: number;
  readonly columns: number;
  readonly inside: Uint8Array;
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

export function fieldMesh(
  board: FieldBoard,
  pitch_m: number,
  nz: number,
  factors: BoardFactors = { copper: 1, laminate: 1 },
  memoryFor: (grid: Grid) => FieldMemory = compiledMemory,
): FieldMesh {
  const nx = Math.max(2, Math.round(board.length_m / pitch_m));
  const ny = Math.max(2, Math.round(board.width_m / pitch_m));
  const dx_m = board.length_m / nx;
  const dy_m = board.width_m / ny;
  const columns = nx * ny;
  const laminate = LAMINATES[board.laminate];
  const gap_m = board.thickness_m / (nz - 1);
  const depth_m = Array.from({ length: nz }, (_, k) => k * gap_m);
  const layerOfCopper = board.copper.map((_, i) => Math.round(layerDepth_m(board, i + 1) / gap_m));

  const edge = board.outline?.map(([x, y]): [number, number] => [x, y]);
  const inside = new Uint8Array(columns);
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const within = !edge || polygonContains(edge, [(i + 0.5) * dx_m, (j + 0.5) * dy_m]);
      inside[j * nx + i] = within ? 1 : 0;
    }
  }

  const memory = memoryFor({ nx, ny, nz, columns });
  const capacity_J_K = memory.array(columns * nz);
  const sheet_W_K = new Float64Array(columns * nz);
  const area_m2 = dx_m * dy_m;
  for (let k = 0; k < nz; k++) {
    // The faces hold half a layer of laminate each.
    const laminate_m = k === 0 || k === nz - 1 ? gap_m / 2 : gap_m;
    const inPlane_W_K = laminate.conductivityInPlane.value * factors.laminate * laminate_m;
    const heat_J_m2K = laminate.volumetricHeat.value * laminate_m;
    for (let c = 0; c < columns; c++) {
      capacity_J_K[k * columns + c] = heat_J_m2K * area_m2;
      sheet_W_K[k * columns + c] = inPlane_W_K;
    }
  }
  board.copper.forEach((layer, index) => {
    const base = layerOfCopper[index]! * columns;
    const foil_W_K = COPPER.conductivity.value * factors.copper * layer.thickness_m;
    const foil_J_m2K = COPPER.volumetricHeat.value * layer.thickness_m;
    const map = board.maps?.[index] ?? null;
    for (let c = 0; c < columns; c++) {
      const share = map
        ? sample(map, ((c % nx) + 0.5) / nx, (Math.floor(c / nx) + 0.5) / ny)
        : layer.coverage;
      sheet_W_K[base + c]! += foil_W_K * effectiveFraction(share);
      capacity_J_K[base + c]! += foil_J_m2K * share * area_m2;
    }
  });

  const linkX_W_K = memory.array(columns * nz);
  const linkY_W_K = memory.array(columns * nz);
  const linkZ_W_K = memory.array(columns * (nz - 1));
  const harmonic = (a: number, b: number): number => (2 * a * b) / (a + b);
  for (let k = 0; k < nz; k++) {
    for (let c = 0; c < columns; c++) {
      if (!inside[c]) continue;
      const here = k * columns + c;
      if ((c + 1) % nx !== 0 && inside[c + 1]) {
        linkX_W_K[here] = harmonic(sheet_W_K[here]!, sheet_W_K[here + 1]!) * (dy_m / dx_m);
      }
      if (c + nx < columns && inside[c + nx]) {
        linkY_W_K[here] = harmonic(sheet_W_K[here]!, sheet_W_K[here + nx]!) * (dx_m / dy_m);
      }
      if (k + 1 < nz) {
        linkZ_W_K[here] = (laminate.conductivityThrough.value * factors.laminate * area_m2) / gap_m;
      }
    }
  }
  return {
    nx,
    ny,
    nz,
    dx_m,
    dy_m,
    columns,
    inside,
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

/** Column that holds a place; places beyond the rectangle take its nearest column. */
export function columnAt(mesh: FieldMesh, x_m: number, y_m: number): number {
  const i = Math.min(mesh.nx - 1, Math.max(0, Math.floor(x_m / mesh.dx_m)));
  const j = Math.min(mesh.ny - 1, Math.max(0, Math.floor(y_m / mesh.dy_m)));
  return j * mesh.nx + i;
}

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
