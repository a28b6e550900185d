import { COPPER } from '~/core/materials/copper';
import { TIP_CONSTRUCTIONS, TIP_CONTACT, TIP_SHAPES } from '~/core/materials/tips';
import type { NetworkBuilder } from '../network/network';
import type { Factors, Iron } from './scenario';
import { JOINT } from './settings';

export interface TipChain {
  readonly heater: number;
  readonly face: number;
}

/**
 * Copper between the tip's body and its working end, K/W: a cone frustum,
 * R = L / (k π r₁ r₂) (one-dimensional conduction, Incropera ch. 3).
 */
export function taperResistance_K_W(tip: Iron['tip']): number {
  const { taperLength, shankDiameter } = TIP_CONSTRUCTIONS[tip.construction];
  const end_m = Math.min(tip.width_m, shankDiameter.value);
  return (4 * taperLength.value) / (COPPER.conductivity.value * Math.PI * shankDiameter.value * end_m);
}

/**
 * Area of tip against a solid joint, m²: width (no wider than the land) by the shape's reach; of a hollow
 * tip, the ring that lies on the land.
 */
function touchArea_m2(iron: Iron, landDiameter_m: number): number {
  if (iron.tip.shape === 'hollow') {
    const outer_m = Math.min(iron.tip.width_m, landDiameter_m);
    const inner_m = Math.min(iron.tip.inner_m, 0.9 * outer_m);
    return (Math.PI / 4) * (outer_m ** 2 - inner_m ** 2);
  }
  const reach_m = TIP_SHAPES[iron.tip.shape].reach.value;
  const across_m = Math.min(iron.tip.width_m, landDiameter_m);
  return across_m * Math.min(reach_m, 2 * iron.tip.width_m);
}

export interface Contact {
  /** Under the tip: where it stands, solid or molten. */
  readonly under_W_K: number;
  /** What the bead of fresh solder adds as it melts, all round the lead. */
  readonly bead_W_K: number;
}

/**
 * Conductance between tip face and near fillet once it is wetted, W/K. Fresh solder enlarges the wetted area, but only
 * once there is melt to bridge the gap.
 */
export function contact_W_K(iron: Iron, landDiameter_m: number, factors: Factors): Contact {
  const wetted = TIP_CONTACT.wettedResistivity.value * factors.contact * (iron.wear ?? 1);
  const under_W_K = touchArea_m2(iron, landDiameter_m) / wetted;
  const enlarged = iron.freshSolder ? TIP_CONTACT.freshSolderArea.value * factors.freshArea : 1;
  return { under_W_K, bead_W_K: under_W_K * Math.max(0, enlarged - 1) };
}

/** A solid tip stands on one side of a joint, a gun's all round it. */
export const sectorsUnder = (iron: Iron): number => (iron.tip.shape === 'hollow' ? 1 : JOINT.sectors);

/** Of the bead's contact, what there is before it melts: a link has to conduct something. */
const UNMELTED = 1e-6;

/**
 * Touches solder lumps with a tip: the first stands under it, and with fresh solder the melt runs round to the others.
 * A fluxed tip wets from the start, a dry one once the solder under it is molten.
 */
export function touch(
  net: NetworkBuilder,
  iron: Iron,
  { under_W_K, bead_W_K }: Contact,
  face: number,
  solder: readonly number[],
  factors: Factors,
): void {
  const bead = bead_W_K / solder.length;
  const edges = solder.flatMap((node, s) => {
    if (s === 0) return [net.link(node, face, under_W_K, under_W_K + bead)];
    return bead > 0 ? [net.link(node, face, UNMELTED * bead, bead)] : [];
  });
  net.wets({
    edges,
    dryShare: 1 / TIP_CONTACT.dryFactor.value,
    over_s: factors.wetting * (iron.fluxed ? TIP_CONTACT.wettingTime : TIP_CONTACT.dryWettingTime).value,
    waitsFor: iron.fluxed ? null : solder[0]!,
  });
}

/**
 * Adds heater, tip body and tip face, in that the face comes up to the set temperature at rest.
 * The controller's own setting is raised by what an idle tip loses on the way, as stations are.
 */
export function addTip(net: NetworkBuilder, iron: Iron, ambient_K: number, factors: Factors): TipChain {
  const made = TIP_CONSTRUCTIONS[iron.tip.construction];
  const face_K = iron.setpoint_K + factors.tipOffset_K;
  const taper_K_W = taperResistance_K_W(iron.tip);
  const end_m = Math.min(iron.tip.width_m, made.shankDiameter.value);
  const taperCapacity =
    (COPPER.volumetricHeat.value *
      Math.PI *
      made.taperLength.value *
      (made.shankDiameter.value ** 2 + made.shankDiameter.value * end_m + end_m ** 2)) /
    12;

  const face = net.node(taperCapacity * 0.4, face_K);
  const body = net.node(made.bodyCapacity.value + taperCapacity * 0.6, face_K);
  const idle_W = TIP_CONTACT.idleLoss.value * (face_K - ambient_K);
  const heater_K = face_K + idle_W * made.bondResistance.value;
  const heater = net.node(made.heaterCapacity.value, heater_K);
  const gain_W_K = iron.power_W / TIP_CONTACT.proportionalBand.value;

  net.link(face, body, 1 / taper_K_W);
  net.link(body, heater, 1 / made.bondResistance.value);
  net.toAir(body, TIP_CONTACT.idleLoss.value, ambient_K);
  net.heater({ node: heater, setpoint_K: heater_K + idle_W / gain_W_K, gain_W_K, limit_W: iron.power_W });
  return { heater, face };
}
