import { equivalentRadius_m, type Board } from '../stackup';
import { conductingSheets } from './boardSheets';
import { JOINT } from './settings';
import type { PlacedSheet } from './sheetProfile';

/** Sheets that stand as one node in a ring, and the depth that speaks for them. */
interface Lump {
  readonly sheets: readonly number[];
  readonly near_m: number;
}

/** Radii, sheets and lumps of the board about one joint: what no uncertainty moves. */
export interface RingGeometry {
  /** Sheets from the iron's face to the far face. */
  readonly sheets: readonly PlacedSheet[];
  readonly bounds_m: readonly number[];
  /** Middle radius of each ring, m (geometric mean). */
  readonly radius_m: readonly number[];
  readonly area_m2: readonly number[];
  /** By ring, from the iron's face on. */
  readonly lumps: readonly (readonly Lump[])[];
  readonly barrelRadius_m: number;
  readonly landRadius_m: number;
}

/** What rings begin with, m. */
export interface RingRadii {
  readonly barrelRadius_m: number;
  readonly landRadius_m: number;
}

/** Log-spaced rings from the barrel to the disc of the board's area; draws of one joint share them. */
export function ringGeometry(
  board: Board,
  radii: RingRadii,
  ironOnTop: boolean,
  rings: number,
): RingGeometry {
  const known = geometries.get(board) ?? [];
  const met = known.find(
    ({ of }) =>
      of.landRadius_m === radii.landRadius_m &&
      of.barrelRadius_m === radii.barrelRadius_m &&
      of.ironOnTop === ironOnTop &&
      of.rings === rings,
  );
  if (met) return met.geometry;
  const geometry = geometryOf(board, radii, ironOnTop, rings);
  geometries.set(board, [{ of: { ...radii, ironOnTop, rings }, geometry }, ...known].slice(0, KEPT));
  return geometry;
}

interface Met {
  readonly of: RingRadii & { readonly ironOnTop: boolean; readonly rings: number };
  readonly geometry: RingGeometry;
}

const geometries = new WeakMap<Board, readonly Met[]>();
/** Unlike joints of one board that are remembered. */
const KEPT = 8;

function geometryOf(
  board: Board,
  { barrelRadius_m, landRadius_m }: RingRadii,
  ironOnTop: boolean,
  rings: number,
): RingGeometry {
  const edge_m = Math.max(equivalentRadius_m(board), landRadius_m * 3);
  const sheets: PlacedSheet[] = conductingSheets(board).map((sheet) => ({
    ...sheet,
    near_m: ironOnTop ? sheet.depth_m : board.thickness_m - sheet.depth_m,
  }));
  if (!ironOnTop) sheets.reverse();
  const first_m = landRadius_m * JOINT.firstRing;
  const growth = (edge_m / first_m) ** (1 / (rings - 1));
  const bounds_m = [barrelRadius_m, landRadius_m];
  for (let i = 0; i < rings; i++) bounds_m.push(first_m * growth ** i);
  const radius_m = bounds_m.slice(1).map((outer, i) => Math.sqrt(outer * bounds_m[i]!));
  return {
    sheets,
    bounds_m,
    radius_m,
    area_m2: radius_m.map((_, ring) => Math.PI * (bounds_m[ring + 1]! ** 2 - bounds_m[ring]! ** 2)),
    lumps: radius_m.map((radius, ring) => lumpsOf(sheets, ring === 0 ? 0 : radius)),
    barrelRadius_m,
    landRadius_m,
  };
}

/** Every sheet alone near the joint, with the nearest copper layer farther out, all of them as one far off. */
function lumpsOf(sheets: readonly PlacedSheet[], radius_m: number): Lump[] {
  const all = sheets.map((_, j) => j);
  if (radius_m <= JOINT.gradedWithin_m) return all.map((j) => ({ sheets: [j], near_m: sheets[j]!.near_m }));
  if (radius_m > JOINT.wholeFrom_m) return [{ sheets: all, near_m: 0 }];
  const coarse = [...new Set(sheets.map((sheet) => sheet.coarse))];
  return coarse.map((anchor) => {
    const mine = all.filter((j) => sheets[j]!.coarse === anchor);
    const speaks = mine.find((j) => sheets[j]!.anchored);
    return { sheets: mine, near_m: sheets[speaks!]!.near_m };
  });
}
