import { COPPER } from '~/core/materials/copper';
import { LAMINATES, type LaminateId } from '~/core/materials/laminates';

/** The bare board: outline, laminate and its copper layers from the part side (top) down. */
export interface Board {
  readonly length_m: number;
  readonly width_m: number;
  readonly thickness_m: number;
  readonly laminate: LaminateId;
  readonly copper: readonly CopperLayer[];
  /** Where the board is no rectangle, m². */
  readonly area_m2?: number | undefined;
}

export interface CopperLayer {
  readonly thickness_m: number;
  /** Share of the area that is copper, 0 to 1. */
  readonly coverage: number;
  /** About one joint, where it is known: shares from the nearest ring outward, the last without an end. */
  readonly rings?: readonly CopperRing[] | undefined;
}

/** Share of copper up to a distance from a joint. */
export interface CopperRing {
  readonly end_m: number;
  readonly coverage: number;
  /** All of it is one sheet that the joint's own pour reaches: no tracks that end in nothing. */
  readonly connected?: boolean | undefined;
}

/**
 * In-plane conduction of a copper layer as a share of a full sheet's.
 * Planes with holes: Maxwell's medium with insulating inclusions, φ/(2−φ). Separate tracks carry
 * heat along themselves only: half by direction, half again for their breaks, φ/4 (assumed). The two
 * are blended between 40 % and 80 % coverage, where tracks grow together into a pour.
 */
export function effectiveFraction(coverage: number): number {
  const plane = connectedFraction(coverage);
  const tracks = coverage / 4;
  const t = Math.min(1, Math.max(0, (coverage - 0.4) / 0.4));
  const blend = t * t * (3 - 2 * t);
  return blend * plane + (1 - blend) * tracks;
}

/**
 * One sheet of copper with holes in it: Maxwell's φ/(2−φ). Solved on pours of our own about 150 pins, 0.4 to 1 covered, it is 7 %
 * high in the median, 5 % low to 35 % high in eight of ten.
 */
const connectedFraction = (coverage: number): number => coverage / (2 - coverage);

/** What a ring conducts as a share of a full sheet. */
export const conductedShare = ({ coverage, connected }: CopperRing): number =>
  connected ? connectedFraction(coverage) : effectiveFraction(coverage);

/**
 * Copper about a pin that is on a plane or pour of a layer: near it what its artwork shows that the pour reaches, and where
 * nobody has seen that, solid, whatever the layer has on average; farther out as the layer is. Rings as they are
 * known, or the whole layer as one.
 */
export function pouredAbout(layer: CopperLayer, seen: number | undefined): readonly CopperRing[] {
  const rings = layer.rings ?? [{ end_m: Infinity, coverage: layer.coverage }];
  const within_m = COPPER.pourReach.value;
  return rings.flatMap((ring, i): CopperRing[] => {
    const from_m = rings[i - 1]?.end_m ?? 0;
    if (from_m >= within_m) return [ring];
    const near = { end_m: Math.min(ring.end_m, within_m), ...pourIn(ring.coverage, seen) };
    return ring.end_m > within_m ? [near, ring] : [near];
  });
}

/** A pour's own share of copper, by what was seen of it or else by the layer's. */
export const pourIn = (coverage: number, seen: number | undefined): Omit<CopperRing, 'end_m'> => ({
  coverage: seen ?? Math.max(coverage, COPPER.pourCoverage.value),
  connected: true,
});

/** Sheet conductance of one copper layer away from the joint, W/K per square. */
const layerConductance_W_K = (layer: CopperLayer): number =>
  COPPER.conductivity.value * layer.thickness_m * effectiveFraction(layer.coverage);

/** Depth of a one-based copper layer; layers are spread evenly, with the outer two at the faces. */
export function layerDepth_m(board: Board, layer: number): number {
  const last = board.copper.length - 1;
  return last === 0 ? board.thickness_m : ((layer - 1) / last) * board.thickness_m;
}

/** Heat the board stores per area, J/m²K. */
export function arealHeat_J_m2K(board: Board): number {
  const laminate = LAMINATES[board.laminate].volumetricHeat.value * board.thickness_m;
  return board.copper.reduce(
    (sum, layer) => sum + COPPER.volumetricHeat.value * layer.thickness_m * layer.coverage,
    laminate,
  );
}

/** In-plane conductance of all layers and the laminate, W/K per square. */
export function spreading_W_K(board: Board): number {
  const laminate = LAMINATES[board.laminate].conductivityInPlane.value * board.thickness_m;
  return board.copper.reduce((sum, layer) => sum + layerConductance_W_K(layer), laminate);
}

/** Radius of the disc with the board's area, m. */
export const equivalentRadius_m = (board: Board): number =>
  Math.sqrt((board.area_m2 ?? board.length_m * board.width_m) / Math.PI);
