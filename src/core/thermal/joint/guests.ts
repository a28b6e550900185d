import { STILL_AIR } from '~/core/materials/air';
import type { AlloyId } from '~/core/materials/alloys';
import { formOf, type PartPackage } from '~/core/packages/form';
import type { NetworkBuilder } from '../network/network';
import { ringSpot, type RingField } from './rings';
import type { Factors } from './scenario';

/** Another part near the joint, on the iron's face or the far one. */
export interface Guest {
  /** From the joint to the nearest of its pads, m. */
  readonly distance_m: number;
  readonly face: 'near' | 'far';
  readonly capacity_J_K: number;
  /** Through all its leads, W/K. */
  readonly leads_W_K: number;
  readonly surface_m2: number;
}

/** Closer than this a neighbour's land would be the heated one (assumed, half a millimetre). */
export const LEAST_GUEST_DISTANCE_m = 0.5e-3;

/** A part as a guest; its pads are taken as warm as the board at `distance_m`. */
export function guestOf(
  part: PartPackage,
  alloy: AlloyId,
  boardThickness_m: number,
  at: Pick<Guest, 'distance_m' | 'face'>,
): Guest {
  const { body, pads } = formOf(part, alloy, boardThickness_m);
  return {
    ...at,
    capacity_J_K: body.capacity_J_K,
    leads_W_K: pads.reduce((sum, pad) => sum + pad.lead_W_K, 0),
    surface_m2: body.top_m2 + body.sides_m2,
  };
}

/**
 * Adds a guest's body; returns its node. It takes its heat from the whole ring it stands on, so a small
 * part's own shadow on the board is smeared about the joint.
 */
export function addGuest(
  net: NetworkBuilder,
  rings: RingField,
  guest: Guest,
  board_K: number,
  ambient_K: number,
  factors: Factors,
): number {
  const body = net.node(guest.capacity_J_K, board_K);
  const { inner, outer, weight } = ringSpot(rings, guest.distance_m, guest.face);
  if (weight < 1) net.link(inner, body, guest.leads_W_K * (1 - weight));
  if (weight > 0) net.link(outer, body, guest.leads_W_K * weight);
  net.toAir(body, STILL_AIR.partSurface.value * factors.film * guest.surface_m2, ambient_K);
  return body;
}
