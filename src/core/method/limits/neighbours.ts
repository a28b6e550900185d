import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { bodyLimit_K, type PartPackage } from '~/core/packages/form';
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
  /** What its joints and its body are held to. */
  readonly jointLimit_K: number;
  readonly bodyLimit_K: number;
  readonly ok: boolean;
}

/**
 * Its joints stay a margin under their own solidus, its body under what its family stands and never over 200 °C; what comes off
 * in the same heat keeps none.
 */
export const neighbourLimit = (n: {
  readonly ref: string;
  readonly alloy: AlloyId;
  readonly part?: PartPackage | null | undefined;
  readonly comesToo?: boolean | undefined;
}): NeighbourLimit => ({
  ref: n.ref,
  body_K: n.comesToo
    ? Infinity
    : Math.min(PLAN.neighbourBody_K, n.part ? bodyLimit_K(n.part, n.alloy) : Infinity),
  joint_K: n.comesToo ? Infinity : ALLOYS[n.alloy].solidus.value - PLAN.neighbourMargin_K,
});

export const judgeNeighbour = (limit: NeighbourLimit, joint_K: number, body_K: number): NeighbourHeat => ({
  ref: limit.ref,
  joint_K,
  body_K,
  jointLimit_K: limit.joint_K,
  bodyLimit_K: limit.body_K,
  ok: joint_K <= limit.joint_K && body_K <= limit.body_K,
});

/** The neighbour that is worst off: furthest over what it stands, by body or joints. */
export const hottestOf = (risky: readonly NeighbourHeat[]): NeighbourHeat =>
  risky.reduce((a, b) => (over_K(b) > over_K(a) ? b : a));

const over_K = ({ body_K, bodyLimit_K: stands_K, joint_K, jointLimit_K }: NeighbourHeat): number =>
  Math.max(body_K - stands_K, joint_K - jointLimit_K);
