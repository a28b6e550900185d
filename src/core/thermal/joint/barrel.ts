import { ALLOYS } from '~/core/materials/alloys';
import { WIRE } from '~/core/materials/consumables';
import { COPPER } from '~/core/materials/copper';
import { STILL_AIR } from '~/core/materials/air';
import { leadPath } from '~/core/packages/leadPath';
import { bodyCapacity_J_K, bodySurface_m2 } from '~/core/packages/throughHole';
import { filletRise_m, filletVolume_m3 } from '~/core/solder/volumes';
import type { NetworkBuilder } from '../network/network';
import { ringArea_m2, type LandLink, type RingMesh } from './rings';
import { isPlated, meltingOf, type Factors, type JointScenario } from './scenario';
import { JOINT } from './settings';

/** A part pressed onto the board still has this much lead between (assumed). */
const LEAST_STANDOFF_m = 0.3e-3;

export interface Barrel {
  readonly nearFillet: number;
  /** Every solder node from the iron's face to the far one. */
  readonly solder: readonly SolderPlace[];
  /** The part's body; of a pin that was cut, the end of its stub. */
  readonly body: number;
  readonly landLinks: readonly LandLink[];
}

export interface SolderPlace {
  readonly node: number;
  readonly where: 'near fillet' | 'far fillet' | `slice ${number}`;
}

/**
 * Adds fillets, barrel slices (plated wall, solder, lead), the lead to the body and the body itself.
 * A board with bare holes has solder and land on its copper face only; the lead passes through air.
 */
export function addBarrel(
  net: NetworkBuilder,
  scenario: JointScenario,
  mesh: RingMesh,
  board_K: number,
  factors: Factors,
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
  const wallArea = Math.PI * ((hole_m + COPPER.plating.value * factors.plating) ** 2 - hole_m ** 2);
  const rise_m = filletRise_m(lead_m, land_m);
  const kLead = path.conductivity_W_mK;
  const kSolid = alloy.conductivitySolid.value;
  const kLiquid = alloy.conductivityLiquid.value;

  const lump = (volume_m3: number) => {
    const mass = volume_m3 * alloy.density.value;
    return net.solder(
      {
        solidus_K: melting.solidus_K,
        liquidus_K: melting.liquidus_K,
        capacitySolid_J_K: mass * alloy.heatSolid.value,
        capacityLiquid_J_K: mass * alloy.heatLiquid.value,
        latent_J: mass * alloy.latentHeat.value,
      },
      board_K,
    );
  };
  /** A solder link given by its shape factor (m): conductivity moves as the solder melts. */
  const solderLink = (a: number, b: number, shape_m: number) =>
    net.link(a, b, kSolid * shape_m, kLiquid * shape_m);

  const fillet = (end: 'near' | 'far'): { lead: number; solder: number } => {
    const face = end === 'near' ? 0 : mesh.sheets.length - 1;
    const solderEnd = (end === 'near') === (scenario.face === 'solder-side');
    const lead = net.node(
      leadArea * (rise_m + (solderEnd ? JOINT.protrusion_m : 0)) * path.volumetricHeat_J_m3K,
      board_K,
    );
    const fresh_m3 = end === 'near' && scenario.iron.freshSolder ? WIRE.addedToJoint.value : 0;
    const solder = lump(filletVolume_m3(lead_m, land_m) + fresh_m3);
    const spread_m = ringArea_m2(mesh, 0) / (rise_m / 3);
    landLinks.push({
      node: solder,
      sheet: face,
      solid_W_K: kSolid * spread_m,
      liquid_W_K: kLiquid * spread_m,
    });
    solderLink(solder, lead, (2 * Math.PI * rise_m) / Math.log((lead_m + land_m) / (2 * lead_m)));
    return { lead, solder };
  };

  // Bare holes: the only fillet is on the copper face, and the iron has to work there.
  const near = fillet('near');
  const solder: SolderPlace[] = [{ node: near.solder, where: 'near fillet' }];
  let above = { lead: near.lead, solder: near.solder, wall: -1 };
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
    const wall = net.node(wallArea * thick_m * COPPER.volumetricHeat.value, board_K);
    landLinks.push(...wallLinks(mesh, wall, k, dz));
    if (above.wall >= 0) net.link(above.wall, wall, (COPPER.conductivity.value * wallArea) / dz);
    const slice = lump(solderArea * thick_m);
    solder.push({ node: slice, where: `slice ${k + 1}` });
    solderLink(above.solder, slice, solderArea / (k === 0 ? rise_m / 3 : dz));
    solderLink(slice, lead, (2 * Math.PI * thick_m) / Math.log(middle_m / lead_m));
    solderLink(slice, wall, (2 * Math.PI * thick_m) / Math.log(hole_m / middle_m));
    above = { lead, solder: slice, wall };
  }

  let farLead = above.lead;
  if (plated) {
    const far = fillet('far');
    solder.push({ node: far.solder, where: 'far fillet' });
    net.link(above.lead, far.lead, (kLead * leadArea) / (rise_m / 2));
    solderLink(above.solder, far.solder, solderArea / (rise_m / 3));
    farLead = far.lead;
  }

  const bodyLead = scenario.face === 'solder-side' ? farLead : near.lead;
  const body = addBody(net, scenario, bodyLead, rise_m, board_K, factors);
  return { nearFillet: near.solder, solder, body, landLinks };
}

/** Adds the lead beyond the board and the body it goes into; returns the node that speaks for the body. */
function addBody(
  net: NetworkBuilder,
  { part, ambient_K, stub }: JointScenario,
  fillet: number,
  rise_m: number,
  board_K: number,
  factors: Factors,
): number {
  const path = leadPath(part);
  const { section_m2, conductivity_W_mK, standoff_m, inBody_m } = path;
  const piece = (length_m: number) => net.node(section_m2 * length_m * path.volumetricHeat_J_m3K, board_K);
  const join = (a: number, b: number, length_m: number) =>
    net.link(a, b, (conductivity_W_mK * section_m2) / length_m);

  const outer = piece(Math.max(standoff_m, LEAST_STANDOFF_m));
  join(fillet, outer, standoff_m / 2 + rise_m / 2);
  if (stub) return outer;
  const body = net.node(bodyCapacity_J_K(part), board_K);
  net.toAir(body, STILL_AIR.partSurface.value * factors.film * bodySurface_m2(part), ambient_K);
  if (path.intoMoulding_W_K === null) {
    join(outer, body, standoff_m / 2 + inBody_m);
    return body;
  }
  const inner = piece(inBody_m);
  join(outer, inner, standoff_m / 2 + inBody_m / 2);
  net.link(inner, body, path.intoMoulding_W_K);
  return body;
}

/** A wall slice's links to the sheets about its depth; a sheet between two slices is shared by nearness. */
function wallLinks(mesh: RingMesh, wall: number, slice: number, dz: number): LandLink[] {
  return mesh.sheets.flatMap((sheet, j) => {
    const share = 1 - Math.abs(slice - sheet.near_m / dz);
    if (share <= 1e-9) return [];
    const link_W_K = mesh.barrel_W_K[j]! * share;
    return [{ node: wall, sheet: j, solid_W_K: link_W_K, liquid_W_K: link_W_K }];
  });
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
  return { node: lead, sheet, solid_W_K: link_W_K, liquid_W_K: link_W_K };
}
