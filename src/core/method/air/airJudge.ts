import { ALLOYS } from '~/core/materials/alloys';
import { padNamesOf } from '~/core/packages/form';
import { bodyCounts } from '../goals';
import type { Neighbour, PhaseRequest } from '../request';
import { AIR, PLAN } from '../settings';
import type { Allowance } from '../limits/stop';
import { allowanceFor } from '../limits/forecast';

/** What must stay true while a site is under air. */
export interface AirLimits {
  readonly allowance: Allowance;
  readonly neighbours: readonly NeighbourLimit[];
}

export interface NeighbourLimit {
  readonly ref: string;
  readonly body_K: number;
  readonly joint_K: number;
}

/** Limits of a request; a part that comes off in the same heat keeps none. */
export function airLimits(request: PhaseRequest, pads: readonly string[]): AirLimits {
  return {
    allowance: allowanceFor(request, pads),
    neighbours: request.neighbours.map(limitOf),
  };
}

const limitOf = (n: Neighbour): NeighbourLimit => ({
  ref: n.ref,
  body_K: n.comesToo ? Infinity : PLAN.neighbourBody_K,
  joint_K: n.comesToo ? Infinity : ALLOYS[n.alloy].solidus.value - PLAN.neighbourMargin_K,
});

/** How long a part is kept under air at most, s. */
export const longestAir_s = (request: PhaseRequest): number =>
  padNamesOf(request.site.part).length > AIR.smallPads ? AIR.longest_s : AIR.longestSmall_s;

/** What a shocked body costs, as a share like a land's budget; nothing where the body is given up. */
export const shockDamage = (request: PhaseRequest, rampRatio: number): number =>
  bodyCounts(request.goal, request.phase) ? AIR.shockDamage * Math.max(0, rampRatio - 1) : 0;

/** How hot a neighbour got, and whether it kept its limits. */
export interface NeighbourHeat {
  readonly ref: string;
  readonly joint_K: number;
  readonly body_K: number;
  readonly ok: boolean;
}

export const judgeNeighbour = (limit: NeighbourLimit, joint_K: number, body_K: number): NeighbourHeat => ({
  ref: limit.ref,
  joint_K,
  body_K,
  ok: joint_K <= limit.joint_K && body_K <= limit.body_K,
});

/** The neighbour that is worst off. */
export const hottestOf = (risky: readonly NeighbourHeat[]): NeighbourHeat =>
  risky.reduce((a, b) => (Math.max(b.body_K, b.joint_K) > Math.max(a.body_K, a.joint_K) ? b : a));
