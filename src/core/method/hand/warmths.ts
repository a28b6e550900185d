import { boardTemperature_K, type Preheat } from '~/core/thermal/preheat';
import { usualPreheat, type Preheater } from '../bench';
import type { PlanRequest } from '../request';
import { WARMTH } from '../settings';

/**
 * A preheater set so that the board under it is as warm as it may stand: the shortest soak that brings it there, at the
 * gentlest setting, or as near as the preheater comes. What a setting does depends on the kind of preheater: the board's
 * temperature is asked for, not the source's. Null where that is no warmer than its usual setting.
 */
export function asWarmAsItStands({ board, ambient_K }: PlanRequest, heater: Preheater): Preheat | null {
  const [least_K, most_K] = heater.setpointRange_K;
  const sets_K = [...WARMTH.sets_K.filter((set_K) => set_K >= least_K && set_K < most_K), most_K];
  const tried = WARMTH.soaks_s.flatMap((soak_s) =>
    sets_K.map((setpoint_K): Preheat => ({ kind: heater.kind, setpoint_K, soak_s })),
  );
  const warm_K = (preheat: Preheat): number => boardTemperature_K(board, preheat, ambient_K);
  const usual_K = warm_K(usualPreheat(heater));
  for (const target_K of WARMTH.boards_K) {
    if (usual_K > target_K - WARMTH.near_K) return null;
    const found = tried.find((preheat) => Math.abs(warm_K(preheat) - target_K) <= WARMTH.near_K);
    if (found) return found;
  }
  return null;
}
