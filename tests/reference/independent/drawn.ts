import { ALLOYS } from '~/core/materials/alloys';
import { STILL_AIR } from '~/core/materials/air';
import { WIRE } from '~/core/materials/consumables';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { TIP_CONSTRUCTIONS, TIP_CONTACT, TIP_SHAPES } from '~/core/materials/tips';
import { leadPath } from '~/core/packages/leadPath';
import { bodyCapacity_J_K, bodySurface_m2 } from '~/core/packages/throughHole';
import type { JointScenario } from '~/core/thermal/joint/scenario';
import type { JointAsDrawn } from './jointSolver';

/**
 * A joint of the product as the independent solver takes it: the same materials and dimensions, none of its mesh,
 * links or formulas. Connections are planes or nothing: tracks and spokes have references of their own.
 */
export function drawn(scenario: JointScenario): JointAsDrawn {
  const { part, board, iron } = scenario;
  const laminate = LAMINATES[board.laminate];
  const alloy = ALLOYS[scenario.alloy];
  const path = leadPath(part);
  const made = TIP_CONSTRUCTIONS[iron.tip.construction];
  if (iron.tip.shape === 'hollow') throw new Error('the independent solver knows solid tips only');
  const lead_m = part.leadDiameter_m / 2;
  const land_m = part.landDiameter_m / 2;
  const rise_m = 0.8 * (land_m - lead_m);
  const fillet_m3 = (Math.PI / 3) * (land_m ** 2 - lead_m ** 2) * rise_m;
  const end_m = Math.min(iron.tip.width_m, made.shankDiameter.value);
  const shank_m = made.shankDiameter.value;
  const taper_J_K =
    (COPPER.volumetricHeat.value *
      Math.PI *
      made.taperLength.value *
      (shank_m ** 2 + shank_m * end_m + end_m ** 2)) /
    12;
  const across_m = Math.min(iron.tip.width_m, part.landDiameter_m);
  const touched_m2 = across_m * Math.min(TIP_SHAPES[iron.tip.shape].reach.value, 2 * iron.tip.width_m);
  const under_W_K = touched_m2 / TIP_CONTACT.wettedResistivity.value;
  const joined = new Set(scenario.connections.flatMap((c) => (c.kind === 'solid-plane' ? c.layers : [])));
  const near = board.copper.map((layer, i) => ({
    foil_m: layer.thickness_m,
    area: layer.coverage,
    // Planes as Maxwell's medium, tracks a quarter: the same assumption on both sides.
    conducts: layer.coverage > 0.8 ? layer.coverage / (2 - layer.coverage) : layer.coverage / 4,
    joined: joined.has(i + 1),
  }));
  return {
    start_K: scenario.ambient_K,
    ambient_K: scenario.ambient_K,
    film_W_m2K: (STILL_AIR.boardTop.value + STILL_AIR.boardBottom.value) / 2,
    thickness_m: board.thickness_m,
    radius_m: Math.sqrt((board.length_m * board.width_m) / Math.PI),
    lead_m,
    hole_m: part.holeDiameter_m / 2,
    wall_m: COPPER.plating.value,
    land_m,
    clearance_m: 0.25e-3,
    rise_m,
    protrusion_m: 1.2e-3,
    laminate: {
      inPlane_W_mK: laminate.conductivityInPlane.value,
      through_W_mK: laminate.conductivityThrough.value,
      heat_J_m3K: laminate.volumetricHeat.value,
    },
    copper: { k_W_mK: COPPER.conductivity.value, heat_J_m3K: COPPER.volumetricHeat.value },
    lead: { k_W_mK: path.conductivity_W_mK, heat_J_m3K: path.volumetricHeat_J_m3K },
    solder: {
      solid: {
        k_W_mK: alloy.conductivitySolid.value,
        heat_J_m3K: alloy.density.value * alloy.heatSolid.value,
      },
      liquid: {
        k_W_mK: alloy.conductivityLiquid.value,
        heat_J_m3K: alloy.density.value * alloy.heatLiquid.value,
      },
      latent_J_m3: alloy.density.value * alloy.latentHeat.value,
      solidus_K: alloy.solidus.value,
      liquidus_K: Math.max(alloy.liquidus.value, alloy.solidus.value + 1),
    },
    // The solder side is the bottom of these boards.
    layers: near.reverse(),
    near_m3: fillet_m3 + (iron.freshSolder ? WIRE.addedToJoint.value : 0),
    far_m3: fillet_m3,
    body: {
      lead_m: Math.max(path.standoff_m, 0.3e-3),
      heat_J_K: bodyCapacity_J_K(part),
      intoBody_W_K: (path.conductivity_W_mK * path.section_m2) / (path.standoff_m / 2 + path.inBody_m),
      film_W_K: STILL_AIR.partSurface.value * bodySurface_m2(part),
    },
    tip: {
      set_K: iron.setpoint_K,
      power_W: iron.power_W,
      gain_W_K: iron.power_W / TIP_CONTACT.proportionalBand.value,
      idle_W_K: TIP_CONTACT.idleLoss.value,
      face_J_K: 0.4 * taper_J_K,
      body_J_K: made.bodyCapacity.value + 0.6 * taper_J_K,
      heater_J_K: made.heaterCapacity.value,
      taper_K_W: (4 * made.taperLength.value) / (COPPER.conductivity.value * Math.PI * shank_m * end_m),
      bond_K_W: made.bondResistance.value,
    },
    contact: {
      under_W_K,
      bead_W_K: iron.freshSolder ? under_W_K * (TIP_CONTACT.freshSolderArea.value - 1) : 0,
      dryShare: 1 / TIP_CONTACT.dryFactor.value,
      over_s: TIP_CONTACT.wettingTime.value,
      half_rad: Math.PI / 3,
    },
  };
}
