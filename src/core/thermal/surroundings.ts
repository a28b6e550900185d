import { polygonArea, polygonContains } from 'd3-polygon';
import type { CoverageMap, FieldBoard } from './field/mesh';
import type { Board, CopperRing } from './stackup';

/**
 * What one joint meets: the board's copper about its own place, ring by ring, and the board's true area. Heat leaves a
 * joint through the copper next to it, so the share near it counts, not the board's mean.
 */

/** Where each ring ends, m: the resistance of a sheet goes with the logarithm of the radius. */
const RING_ENDS_m = [2e-3, 4e-3, 8e-3, 16e-3, 32e-3] as const;

/**
 * Shares are told to a twentieth: finer than the copper's own uncertainty (15 %, joint/draws), and joints that stand
 * alike are then solved once.
 */
const SHARE_STEP = 1 / 20;

/** Kept by the board it is of: a plan asks for the same joints many times. */
const known = new WeakMap<FieldBoard, Map<string, Board>>();

/** The board as a joint at a place on it (seen from the top, m) meets it; the board itself where nothing is mapped. */
export function boardAbout(board: FieldBoard, x_m: number, y_m: number): Board {
  if (!board.maps && !board.outline) return board;
  const places = known.get(board) ?? new Map<string, Board>();
  known.set(board, places);
  const key = `${(x_m * 1e4).toFixed(0)} ${(y_m * 1e4).toFixed(0)}`;
  const before = places.get(key);
  if (before) return before;
  const about = surroundings(board, x_m, y_m);
  places.set(key, about);
  return about;
}

function surroundings(board: FieldBoard, x_m: number, y_m: number): Board {
  const { length_m, width_m, thickness_m, laminate, copper, maps, outline } = board;
  return {
    length_m,
    width_m,
    thickness_m,
    laminate,
    ...(outline ? { area_m2: Math.abs(polygonArea(mutable(outline))) } : {}),
    copper: copper.map((layer, i) => {
      const map = maps?.[i];
      return map ? { ...layer, rings: ringsOf(board, map, x_m, y_m, layer.coverage) } : layer;
    }),
  };
}

/** Mean share of copper between two radii, on the board alone; a ring with no cell in it takes the next one's. */
function ringsOf(
  { length_m, width_m, outline }: FieldBoard,
  map: CoverageMap,
  x_m: number,
  y_m: number,
  told: number,
): CopperRing[] {
  const count = RING_ENDS_m.length + 1;
  const sums = new Float64Array(count);
  const cells = new Float64Array(count);
  const edge = outline && mutable(outline);
  for (let j = 0; j < map.ny; j++) {
    for (let i = 0; i < map.nx; i++) {
      const x = ((i + 0.5) / map.nx) * length_m;
      const y = ((j + 0.5) / map.ny) * width_m;
      if (edge && !polygonContains(edge, [x, y])) continue;
      const away_m = Math.hypot(x - x_m, y - y_m);
      const found = RING_ENDS_m.findIndex((end_m) => away_m < end_m);
      const ring = found < 0 ? count - 1 : found;
      sums[ring]! += map.share[j * map.nx + i]!;
      cells[ring]! += 1;
    }
  }
  const rings: CopperRing[] = [];
  for (let ring = count - 1; ring >= 0; ring--) {
    const next = rings[0]?.coverage ?? told;
    const coverage = cells[ring]! > 0 ? toStep(sums[ring]! / cells[ring]!) : next;
    rings.unshift({ end_m: RING_ENDS_m[ring] ?? Infinity, coverage });
  }
  return rings;
}

const toStep = (share: number): number => Math.round(share / SHARE_STEP) * SHARE_STEP;

const mutable = (line: readonly (readonly [number, number])[]): [number, number][] =>
  line.map(([x, y]) => [x, y]);
