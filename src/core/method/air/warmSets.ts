import { ALLOYS } from '~/core/materials/alloys';
import { boardTemperature_K, type Preheat } from '~/core/thermal/preheat';
import type { PhaseRequest } from '../request';
import { partStands_K } from '../hand/warmths';
import { AIR, PLAN, WARMTH } from '../settings';

/**
 * What a preheater is set to under air, K: by what the board comes to and not by the source, from barely warm to as warm as
 * board and part stand with every joint still solid, evenly. A weak one is set to its most, one that is hot from the start
 * to its least.
 */
export function warmSets_K(
  request: PhaseRequest,
  { kind, soak_s }: Pick<Preheat, 'kind' | 'soak_s'>,
  [least_K, most_K]: readonly [number, number],
): number[] {
  const { board, ambient_K, site } = request;
  const steps = Math.floor((most_K - least_K) / WARMTH.setStep_K + 1e-6);
  const sets_K = Array.from({ length: steps + 1 }, (_, i) => most_K - (steps - i) * WARMTH.setStep_K);
  const warm_K = (setpoint_K: number): number =>
    boardTemperature_K(board, { kind, setpoint_K, soak_s }, ambient_K);
  const solid_K = ALLOYS[site.alloy].solidus.value - PLAN.neighbourMargin_K;
  const warmest_K = Math.min(WARMTH.boards_K[0] + WARMTH.near_K, partStands_K(request), solid_K);
  const stands = sets_K.filter((set_K) => warm_K(set_K) <= warmest_K);
  if (stands.length === 0) return [least_K];
  const warm = stands.filter((set_K) => warm_K(set_K) >= ambient_K + AIR.leastWarm_K);
  if (warm.length === 0) return [stands.at(-1)!];
  const count = Math.min(AIR.warmSets, warm.length);
  return Array.from({ length: count }, (_, i) =>
    count === 1 ? warm.at(-1)! : warm[Math.round((i * (warm.length - 1)) / (count - 1))]!,
  );
}
