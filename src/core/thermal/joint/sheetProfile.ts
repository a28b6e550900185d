import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { reliefResistance_K_W } from '../relief';
import { conductedShare, pouredAbout, type CopperRing } from '../stackup';
import type { ConductingSheet } from './boardSheets';
import type { Factors, JointBoard } from './scenario';
import { JOINT } from './settings';

/** A sheet of a board as an iron stands over it. */
export interface PlacedSheet extends ConductingSheet {
  /** Distance from the iron's face, m. */
  readonly near_m: number;
}

export interface SheetProfile {
  readonly landCopper_m: number;
  /** Of the land itself, copper and laminate beside it, W/K per square. */
  readonly land_W_K: number;
  /** Copper away from the land, as a full sheet's thickness at a radius, m. */
  fieldCopper_m(radius_m: number): number;
  /** Radial resistance between two radii, K/W. */
  resistance_K_W(inner_m: number, outer_m: number): number;
}

/** How one sheet conducts along the radius: land, clearance or spokes, then the open field. */
export function sheetProfile(
  scenario: JointBoard,
  sheet: PlacedSheet,
  factors: Factors,
  { landRadius_m, barrelRadius_m }: { readonly landRadius_m: number; readonly barrelRadius_m: number },
): SheetProfile {
  const laminate = LAMINATES[scenario.board.laminate];
  const layer = sheet.layer === null ? null : scenario.board.copper[sheet.layer - 1]!;
  const laminate_W_K = laminate.conductivityInPlane.value * factors.laminate * sheet.laminate_m;
  const foil_W_K = layer ? COPPER.conductivity.value * layer.thickness_m * factors.copper : 0;
  const mine = scenario.connections.find((c) => c.kind !== 'isolated' && c.layers.includes(sheet.layer ?? 0));
  const told = layer ? (layer.rings ?? [{ end_m: Infinity, coverage: layer.coverage }]) : [];
  const rings =
    layer && (mine?.kind === 'solid-plane' || mine?.kind === 'thermal-relief')
      ? pouredAbout(layer, mine.pourShare)
      : told;
  const field_W_K = foil_W_K * conductedShare(ringAt(rings, landRadius_m));
  const outer = sheet.near_m === 0 || sheet.near_m === scenario.board.thickness_m;
  const hasLand = layer !== null && (outer || mine !== undefined);

  let gap_W_K = 0;
  let gapEnd_m = landRadius_m + JOINT.clearance_m;
  if (mine?.kind === 'solid-plane') gap_W_K = field_W_K;
  if (mine?.kind === 'thermal-relief') {
    gapEnd_m = landRadius_m + mine.spokeLength_m;
    // As a ring conductance whose logarithm gives the spokes' resistance with their mouths.
    const relief_K_W = reliefResistance_K_W(
      { ...mine, landRadius_m, barrelRadius_m },
      { land: foil_W_K, spoke: foil_W_K, field: field_W_K },
    );
    gap_W_K = Math.log(gapEnd_m / landRadius_m) / (2 * Math.PI * relief_K_W);
  }
  const zones = [
    { end_m: landRadius_m, sheet_W_K: laminate_W_K + (hasLand ? foil_W_K : 0) },
    { end_m: gapEnd_m, sheet_W_K: laminate_W_K + gap_W_K },
    ...rings
      .filter((ring) => ring.end_m > gapEnd_m)
      .map((ring) => ({
        end_m: ring.end_m,
        sheet_W_K: laminate_W_K + foil_W_K * conductedShare(ring),
      })),
    { end_m: Infinity, sheet_W_K: laminate_W_K },
  ];

  return {
    landCopper_m: hasLand ? layer.thickness_m : 0,
    land_W_K: zones[0]!.sheet_W_K,
    fieldCopper_m: (radius_m) => (layer ? layer.thickness_m * ringAt(rings, radius_m).coverage : 0),
    resistance_K_W(inner_m, outer_m) {
      let from_m = inner_m;
      let sum = 0;
      for (const zone of zones) {
        const to_m = Math.min(outer_m, zone.end_m);
        if (to_m > from_m) {
          sum += Math.log(to_m / from_m) / (2 * Math.PI * zone.sheet_W_K);
          from_m = to_m;
        }
      }
      return sum;
    },
  };
}

const ringAt = (rings: readonly CopperRing[], radius_m: number): CopperRing =>
  rings.find((ring) => radius_m < ring.end_m) ?? { end_m: Infinity, coverage: 0 };
