import { boardTemperature_K, type Preheat } from '~/core/thermal/preheat';
import { usualPreheat, type Preheater } from '../bench';
import { bodyLimit_K } from '~/core/packages/form';
import { bodyCounts } from '../goals';
import type { PhaseRequest } from '../request';
import { WARMTH } from '../settings';

/**
 * A preheater set so that the board under it is as warm as it may stand, or as the part on it may that is to live: the
 * shortest soak that brings it there, at the gentlest setting, or as near as the preheater comes. What a setting does
 * depends on the kind of preheater: the board's temperature is asked for, not the source's. Null where that is its usual
 * setting or no warmth worth a soak.
 */
export function asWarmAsItStands(request: PhaseRequest, heater: Preheater): Preheat | null {
  const { board, ambient_K } = request;
  const [least_K, most_K] = heater.setpointRange_K;
  const sets_K = [...WARMTH.sets_K.filter((set_K) => set_K >= least_K && set_K < most_K), most_K];
  const tried = WARMTH.soaks_s.flatMap((soak_s) =>
    sets_K.map((setpoint_K): Preheat => ({ kind: heater.kind, setpoint_K, soak_s })),
  );
  const warm_K = (preheat: Preheat): number => boardTemperature_K(board, preheat, ambient_K);
  const usual_K = warm_K(usualPreheat(heater));
  for (const target_K of targetsFor_K(request)) {
    if (Math.abs(usual_K - target_K) <= WARMTH.near_K) return null;
    const found = tried.find((preheat) => Math.abs(warm_K(preheat) - target_K) <= WARMTH.near_K);
    if (found) return found;
  }
  return null;
}

/**
 * A preheater set hotter for a shorter soak than usual, as far as board and part stand; null where that brings less than
 * its usual setting, and they stand that.
 */
export function quicklyWarm(request: PhaseRequest, heater: Preheater): Preheat | null {
  const { board, ambient_K } = request;
  const [least_K, most_K] = heater.setpointRange_K;
  const warm_K = (preheat: Preheat): number => boardTemperature_K(board, preheat, ambient_K);
  const stands_K = Math.min(WARMTH.boards_K[0], partStands_K(request)) + WARMTH.near_K;
  const steps = Math.floor((most_K - least_K) / WARMTH.setStep_K + 1e-6) + 1;
  const found = Array.from({ length: steps }, (_, i) => most_K - i * WARMTH.setStep_K)
    .map((setpoint_K): Preheat => ({ kind: heater.kind, setpoint_K, soak_s: WARMTH.quick_s }))
    .find((preheat) => warm_K(preheat) <= stands_K);
  const usual_K = warm_K(usualPreheat(heater));
  return found && (usual_K > stands_K || warm_K(found) >= usual_K) ? found : null;
}

/** How warm a board may be under a part that is to live, K; no limit where it is given up. */
export const partStands_K = ({ site, goal, phase }: PhaseRequest): number =>
  bodyCounts(goal, phase) ? bodyLimit_K(site.part, site.alloy) - WARMTH.partMargin_K : Infinity;

/** Temperatures of the board that are aimed at, the warmest first. */
function targetsFor_K(request: PhaseRequest): number[] {
  const { ambient_K } = request;
  const part_K = partStands_K(request);
  const stands = WARMTH.boards_K.filter((board_K) => board_K <= part_K);
  if (stands.length > 0) return stands;
  return part_K > ambient_K + WARMTH.least_K ? [part_K] : [];
}
