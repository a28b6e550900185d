import { arealHeat_J_m2K } from '~/core/thermal/stackup';
import { padNamesOf } from '~/core/packages/form';
import { bodyCounts } from '../goals';
import type { PhaseRequest } from '../request';
import { AIR } from '../settings';
import { neighbourLimit, type NeighbourLimit } from '../limits/neighbours';
import type { Allowance } from '../limits/stop';
import { allowanceFor } from '../limits/forecast';

/** What must stay true while a site is under air. */
export interface AirLimits {
  readonly allowance: Allowance;
  readonly neighbours: readonly NeighbourLimit[];
}

/** Limits of a request; a part that comes off in the same heat keeps none. */
export function airLimits(request: PhaseRequest, pads: readonly string[]): AirLimits {
  return {
    // Air pushes at no land: a hurt one is not given less.
    allowance: allowanceFor(request, pads, { pushed: false }),
    neighbours: request.neighbours.map(neighbourLimit),
  };
}

/**
 * How long a part is kept under air at most, s: minutes for a large one, longer on a board that holds more heat. Air from
 * far off, for a body that is to live, comes on top.
 */
export function longestAir_s({ site, board, goal, phase }: AirAsked): number {
  const usual_s = padNamesOf(site.part).length > AIR.smallPads ? AIR.longest_s : AIR.longestSmall_s;
  const heavier = Math.max(1, arealHeat_J_m2K(board) / AIR.usualAreal_J_m2K);
  const near_s = Math.min(AIR.most_s, 10 * Math.round((usual_s * heavier) / 10));
  return near_s + (bodyCounts(goal, phase) ? AIR.approach_s : 0);
}

type AirAsked = Pick<PhaseRequest, 'site' | 'board' | 'goal' | 'phase'>;

/** What a shocked body costs, as a share like a land's budget; nothing where the body is given up. */
export const shockDamage = (request: PhaseRequest, rampRatio: number): number =>
  bodyCounts(request.goal, request.phase) ? AIR.shockDamage * Math.max(0, rampRatio - 1) : 0;
