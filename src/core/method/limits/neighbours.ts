import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { PLAN } from '../settings';

/** The one verdict on what stands beside a heat, whatever heats it: iron, gun, tweezers or air, planned or looked at. */

export interface NeighbourLimit {
  readonly ref: string;
  readonly body_K: number;
  readonly joint_K: number;
}

/** How hot a neighbour got, and whether it kept its limits. */
export interface NeighbourHeat {
  readonly ref: string;
  readonly joint_K: number;
  readonly body_K: number;
  readonly ok: boolean;
}

/** Its joints stay a margin under their solidus, its body under 200 °C; what comes off in the same heat keeps none. */
export const neighbourLimit = (n: {
  readonly ref: string;
  readonly alloy: AlloyId;
  readonly comesToo?: boolean | undefined;
}): NeighbourLimit => ({
  ref: n.ref,
  body_K: n.comesToo ? Infinity : PLAN.neighbourBody_K,
  joint_K: n.comesToo ? Infinity : ALLOYS[n.alloy].solidus.value - PLAN.neighbourMargin_K,
});

export const judgeNeighbour = (limit: NeighbourLimit, joint_K: number, body_K: number): NeighbourHeat => ({
  ref: limit.ref,
  joint_K,
  body_K,
  ok: joint_K <= limit.joint_K && body_K <= limit.body_K,
});

/** The neighbour that is worst off. */
export const hottestOf = (risky: readonly NeighbourHeat[]): NeighbourHeat =>
  risky.reduce((a, b) => (Math.max(b.body_K, b.joint_K) > Math.max(a.body_K, a.joint_K) ? b : a));
