import { ALLOYS } from '~/core/materials/alloys';
import { WIRE } from '~/core/materials/consumables';
import { COPPER } from '~/core/materials/copper';
import { STILL_AIR } from '~/core/materials/air';
import { leadPath } from '~/core/packages/leadPath';
import { bodyCapacity_J_K, bodySurface_m2 } from '~/core/packages/throughHole';
import { filletRise_m, filletRound_m, filletTopShare, filletVolume_m3 } from '~/core/solder/volumes';
import type { NetworkBuilder } from '../network/network';
import type { LandLink, RingMesh } from './rings';
import { isPlated, meltingOf, type Factors, type JointScenario } from './scenario';
import { JOINT } from './settings';

/** A part pressed onto the board still has this much lead between (assumed). */
const LEAST_STANDOFF_m = 0.3e-3;

export interface Barrel {
  /** By sectors, from under the tip to the far side. */
  readonly nearFillet: readonly number[];
  /** Every solder node from the iron's face to the far one. */
  readonly solder: readonly SolderPlace[];
  /** The part's body; of a pin that was cut, the end of its stub. */
  readonly body: number;
  /** Plastic about the pin where it enters a moulding; null where there is none. */
  readonly sleeve: number | null;
  readonly landLinks: readonly LandLink[];
}

export interface SolderPlace {
  readonly node: number;
  readonly where: 'near fillet' | 'far fillet' | `slice ${number}`;
}

/**
 * Adds fillets, barrel slices (plated wall, solder, lead), the lead to the body and the body itself.
 * A board with bare holes has solder and land on its copper face only; the lead passes through air.
 * The near fillet and the first slices stand in sectors of a half turn; the lead is one all round.
 */
export function addBarrel(
  net: NetworkBuilder,
  scenario: JointScenario,
  mesh: RingMesh,
  board_K: number,
  factors: Factors,
  sectors: number,
  noted_K: number,
): Barrel {
  const { part, board } = scenario;
  const alloy = ALLOYS[scenario.alloy];
  const melting = meltingOf(scenario);
  const path = leadPath(part);
  const plated = isPlated(scenario);
  const count = JOINT.slices;
  const dz = board.thickness_m / count;
  const lead_m = part.leadDiameter_m / 2;
  const hole_m = part.holeDiameter_m / 2;
  const middle_m = Math.sqrt((lead_m ** 2 + hole_m ** 2) / 2);
  const land_m = mesh.landRadius_m;
  const landLinks: LandLink[] = [];
  const leadArea = path.section_m2;
  const solderArea = Math.PI * (hole_m ** 2 - lead_m ** 2);
  const wall_m = COPPER.plating.value * factors.plating;
  const wallArea = Math.PI * ((hole_m + wall_m) ** 2 - hole_m ** 2);
  const rise_m = filletRise_m(lead_m, land_m);
  const kLead = path.conductivity_W_mK;
  const kSolid = alloy.conductivitySolid.value;
  const kLiquid = alloy.conductivityLiquid.value;
  /** From middle to middle of two sectors, on both sides of the half turn that they stand for. */
  const perTurn = 2 / (Math.PI / sectors);

  const lumps = (volume_m3: number, parts: number): number[] => {
    const mass_kg = (volume_m3 / parts) * alloy.density.value;
    const lump = {
      solidus_K: melting.solidus_K,
      liquidus_K: melting.liquidus_K,
      capacitySolid_J_K: mass_kg * alloy.heatSolid.value,
      capacityLiquid_J_K: mass_kg * alloy.heatLiquid.value,
      latent_J: mass_kg * alloy.latentHeat.value,
      noted_K,
    };
    const nodes: number[] = [];
    while (nodes.length < parts) nodes.push(net.solder(lump, board_K));
    return nodes;
  };
  /** A solder link of the whole turn by its shape factor (m): conductivity moves as the solder melts. */
  const solderLinks = (a: readonly number[], b: readonly number[], shape_m: number): void =>
    eachWithEach(a, b, (from, to, share) =>
      net.link(from, to, kSolid * shape_m * share, kLiquid * shape_m * share),
    );
  const links = (a: readonly number[], b: readonly number[], link_W_K: number): void =>
    eachWithEach(a, b, (from, to, share) => net.link(from, to, link_W_K * share));
  const solderRound = (parts: readonly number[], face_m: number): void => {
    for (let s = 1; s < parts.length; s++)
      net.link(parts[s - 1]!, parts[s]!, kSolid * face_m * perTurn, kLiquid * face_m * perTurn);
  };

  const leadLump = (length_m: number): number =>
    net.node(leadArea * length_m * path.volumetricHeat_J_m3K, board_K);
  /** From the middle of a fillet's ring of solder to the lead in it. */
  const toLead_m = (height_m: number, rim_m: number): number =>
    (2 * Math.PI * height_m) / Math.log((lead_m + rim_m) / (2 * lead_m));
  const onLand = (solder: readonly number[], sheet: number, path_m: number): void => {
    const spread_m = mesh.area_m2[0]! / path_m / solder.length;
    solder.forEach((node, sector) =>
      landLinks.push({
        node,
        sheet,
        sector: solder.length > 1 ? sector : null,
        solid_W_K: kSolid * spread_m,
        liquid_W_K: kLiquid * spread_m,
      }),
    );
  };
  const fillet_m3 = filletVolume_m3(lead_m, land_m);
  const solderSide = scenario.face === 'solder-side';

  /** In sectors, one lump up to its rim: heat comes from outside and runs in. */
  const nearFillet = (): { lead: number; solder: number[]; path_m: number } => {
    const lead = leadLump(rise_m + (solderSide ? JOINT.protrusion_m : 0));
    const volume_m3 = fillet_m3 + (scenario.iron.freshSolder ? WIRE.addedToJoint.value : 0);
    const solder = lumps(volume_m3, sectors);
    // A bead stands higher than a fillet: from its middle the land is farther away.
    const path_m = Math.max(rise_m, volume_m3 / mesh.area_m2[0]!) / 3;
    onLand(solder, 0, path_m);
    solderLinks(solder, [lead], toLead_m(rise_m, land_m));
    solderRound(solder, filletRound_m(lead_m, land_m));
    return { lead, solder, path_m };
  };

  /** Its foot on the land and its top up the lead, which cools it: what melts last of all. */
  const farFillet = (above: { readonly lead: number; readonly solder: readonly number[] }): number => {
    const half_m = rise_m / 2;
    const narrow_m = (lead_m + land_m) / 2;
    const top_m3 = fillet_m3 * filletTopShare(lead_m, land_m);
    const footLead = leadLump(half_m);
    const topLead = leadLump(half_m + (solderSide ? 0 : JOINT.protrusion_m));
    const foot = lumps(fillet_m3 - top_m3, 1);
    const top = lumps(top_m3, 1);
    net.link(above.lead, footLead, (kLead * leadArea) / (half_m / 2));
    net.link(footLead, topLead, (kLead * leadArea) / half_m);
    onLand(foot, mesh.sheets.length - 1, rise_m / 3);
    solderLinks(above.solder, foot, solderArea / (rise_m / 3));
    solderLinks(foot, [footLead], toLead_m(half_m, land_m));
    solderLinks(foot, top, (Math.PI * (narrow_m ** 2 - lead_m ** 2)) / half_m);
    solderLinks(top, [topLead], toLead_m(half_m, narrow_m));
    for (const node of [...foot, ...top]) solder.push({ node, where: 'far fillet' });
    return topLead;
  };

  // Bare holes: the only fillet is on the copper face, and the iron has to work there.
  const near = nearFillet();
  const solder: SolderPlace[] = near.solder.map((node) => ({ node, where: 'near fillet' }));
  let above = { lead: near.lead, solder: near.solder, wall: [] as number[] };
  for (let k = 0; k <= count; k++) {
    // Slices sit at both faces and evenly between; the outer two are half as thick.
    const thick_m = k === 0 || k === count ? dz / 2 : dz;
    const lead = net.node(leadArea * thick_m * path.volumetricHeat_J_m3K, board_K);
    net.link(above.lead, lead, (kLead * leadArea) / (k === 0 ? rise_m / 2 : dz));
    if (!plated) {
      landLinks.push(leakThroughGap(mesh, k * dz, thick_m, lead, lead_m, hole_m));
      above = { ...above, lead };
      continue;
    }
    const parts = k < JOINT.slicesInSectors ? sectors : 1;
    const wall: number[] = [];
    const wall_J_K = (wallArea * thick_m * COPPER.volumetricHeat.value) / parts;
    while (wall.length < parts) wall.push(net.node(wall_J_K, board_K));
    linkWall(landLinks, mesh, wall, k, dz);
    links(above.wall, wall, (COPPER.conductivity.value * wallArea) / dz);
    const slice = lumps(solderArea * thick_m, parts);
    for (const node of slice) solder.push({ node, where: `slice ${k + 1}` });
    solderLinks(above.solder, slice, solderArea / (k === 0 ? near.path_m : dz));
    solderLinks(slice, [lead], (2 * Math.PI * thick_m) / Math.log(middle_m / lead_m));
    solderLinks(slice, wall, (2 * Math.PI * thick_m) / Math.log(hole_m / middle_m));
    solderRound(slice, thick_m * Math.log(hole_m / lead_m));
    for (let s = 1; s < parts; s++) {
      const around_W_K = COPPER.conductivity.value * thick_m * Math.log(1 + wall_m / hole_m) * perTurn;
      net.link(wall[s - 1]!, wall[s]!, around_W_K);
    }
    above = { lead, solder: slice, wall };
  }

  const farLead = plated ? farFillet(above) : above.lead;
  const bodyLead = scenario.face === 'solder-side' ? farLead : near.lead;
  const { body, sleeve } = addBody(net, scenario, bodyLead, rise_m, board_K, factors);
  return { nearFillet: near.solder, solder, body, sleeve, landLinks };
}

/** Adds the lead beyond the board and the body it goes into, with the plastic about it where it enters a moulding. */
function addBody(
  net: NetworkBuilder,
  { part, ambient_K, stub }: JointScenario,
  fillet: number,
  rise_m: number,
  board_K: number,
  factors: Factors,
): Pick<Barrel, 'body' | 'sleeve'> {
  const path = leadPath(part);
  const { section_m2, conductivity_W_mK, standoff_m, inBody_m } = path;
  const piece = (length_m: number) => net.node(section_m2 * length_m * path.volumetricHeat_J_m3K, board_K);
  const join = (a: number, b: number, length_m: number) =>
    net.link(a, b, (conductivity_W_mK * section_m2) / length_m);

  const outer = piece(Math.max(standoff_m, LEAST_STANDOFF_m));
  join(fillet, outer, standoff_m / 2 + rise_m / 2);
  if (stub) return { body: outer, sleeve: null };
  const body = net.node(bodyCapacity_J_K(part), board_K);
  net.toAir(body, STILL_AIR.partSurface.value * factors.film * bodySurface_m2(part), ambient_K);
  const { moulding } = path;
  if (moulding === null) {
    join(outer, body, standoff_m / 2 + inBody_m);
    return { body, sleeve: null };
  }
  // The moulding about a lead as a cylinder, its heat lumped; the sleeve in it is what holds the pin.
  const lead_m = part.leadDiameter_m / 2;
  const outside_m = Math.min(lead_m + JOINT.sleeve_m, moulding.reach_m);
  const middle_m = Math.sqrt((lead_m ** 2 + outside_m ** 2) / 2);
  const across_W_K = (length_m: number, from_m: number, to_m: number): number =>
    (2 * Math.PI * moulding.conductivity_W_mK * length_m) / Math.log(to_m / from_m);
  const collar_m = Math.min(JOINT.collar_m, inBody_m / 2);
  const rest_m = inBody_m - collar_m;
  const collar = piece(collar_m);
  const inner = piece(rest_m);
  const sleeve_m3 = Math.PI * (outside_m ** 2 - lead_m ** 2) * collar_m;
  const sleeve = net.node(sleeve_m3 * moulding.volumetricHeat_J_m3K, board_K);
  join(outer, collar, (standoff_m + collar_m) / 2);
  join(collar, inner, inBody_m / 2);
  net.link(collar, sleeve, across_W_K(collar_m, lead_m, middle_m));
  net.link(sleeve, body, across_W_K(collar_m, middle_m, moulding.reach_m));
  net.link(inner, body, across_W_K(rest_m, lead_m, moulding.reach_m));
  return { body, sleeve };
}

/** Joins two rows of lumps, each the whole turn: sector to sector where both are in sectors, else each to the one. */
function eachWithEach(
  a: readonly number[],
  b: readonly number[],
  join: (from: number, to: number, share: number) => void,
): void {
  if (a.length === 0 || b.length === 0) return;
  const parts = Math.max(a.length, b.length);
  for (let s = 0; s < parts; s++) join(a[s % a.length]!, b[s % b.length]!, 1 / parts);
}

/** A wall slice's links to the sheets about its depth; a sheet between two slices is shared by nearness. */
function linkWall(
  into: LandLink[],
  mesh: RingMesh,
  wall: readonly number[],
  slice: number,
  dz: number,
): void {
  for (let sheet = 0; sheet < mesh.sheets.length; sheet++) {
    const share = 1 - Math.abs(slice - mesh.sheets[sheet]!.near_m / dz);
    if (share <= 1e-9) continue;
    const link_W_K = (mesh.barrel_W_K[sheet]! * share) / wall.length;
    wall.forEach((node, s) => {
      const sector = wall.length > 1 ? s : null;
      into.push({ node, sheet, sector, solid_W_K: link_W_K, liquid_W_K: link_W_K });
    });
  }
}

/** Conduction through the air of a bare hole to the nearest sheet. */
function leakThroughGap(
  mesh: RingMesh,
  depth_m: number,
  thick_m: number,
  lead: number,
  lead_m: number,
  hole_m: number,
): LandLink {
  const distances = mesh.sheets.map((sheet) => Math.abs(sheet.near_m - depth_m));
  const link_W_K = (2 * Math.PI * thick_m * JOINT.airConductivity_W_mK) / Math.log(hole_m / lead_m);
  const sheet = distances.indexOf(Math.min(...distances));
  return { node: lead, sheet, sector: null, solid_W_K: link_W_K, liquid_W_K: link_W_K };
}
