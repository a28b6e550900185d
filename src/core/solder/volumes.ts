import { BRAID, WIRE } from '~/core/materials/consumables';
import type { ThroughHolePackage } from '~/core/packages/throughHole';

/** Solder that a through-hole joint holds: hole less lead through the board, and a fillet on each face. */
export function jointVolume_m3(part: ThroughHolePackage, thickness_m: number, plated: boolean): number {
  const lead_m = part.leadDiameter_m / 2;
  const land_m = part.landDiameter_m / 2;
  const barrel = plated ? Math.PI * ((part.holeDiameter_m / 2) ** 2 - lead_m ** 2) * thickness_m : 0;
  const fillet = filletVolume_m3(lead_m, land_m);
  return barrel + fillet * (plated ? 2 : 1);
}

/** How far a fillet rises up the lead: 0.8 of the land's rim width (assumed), and never nothing. */
export const filletRise_m = (lead_m: number, land_m: number): number =>
  Math.max(0.8 * (land_m - lead_m), 0.1e-3);

/** A concave cone about the lead, a third of the prism on its land; radii of lead and land. */
export const filletVolume_m3 = (lead_m: number, land_m: number): number =>
  (Math.PI / 3) * (land_m ** 2 - lead_m ** 2) * filletRise_m(lead_m, land_m);

/**
 * The face of that fillet between two angles, over its radii: ∫ h/r dr of its straight-sided section, m. Heat that
 * runs round the lead crosses it.
 */
export const filletRound_m = (lead_m: number, land_m: number): number => {
  const ratio = land_m / lead_m;
  return filletRise_m(lead_m, land_m) * ((ratio * Math.log(ratio)) / (ratio - 1) - 1);
};

/** Share of that fillet's volume over half of its rise, as of a straight-sided cone about the lead. */
export const filletTopShare = (lead_m: number, land_m: number): number =>
  (0.25 * (2.5 * lead_m + 0.5 * land_m)) / (2 * lead_m + land_m);

/** Length of flux-cored wire that holds a volume of solder. */
export const wireLength_m = (volume_m3: number, wireDiameter_m: number): number =>
  volume_m3 / (WIRE.solderShare.value * (Math.PI / 4) * wireDiameter_m ** 2);

/** Length of braid that takes up a volume when the useful part of its void is full. */
export const braidLength_m = (
  volume_m3: number,
  width_m: number,
  thickness_m: number = BRAID.thickness.value,
): number => volume_m3 / (BRAID.usefulShare.value * BRAID.voidShare.value * width_m * thickness_m);
