import { kelvin } from '~/core/quantity/convert';
import { boardTemperature_K, type Preheat } from '~/core/thermal/preheat';
import { usualPreheat, type Preheater } from '../bench';
import type { PlanRequest } from '../request';

/** Boards that stand under a hand tool: as warm as usual, and in steps up to what laminate and parts stand (common practice). */
const BOARDS_K = [kelvin(120), kelvin(135), kelvin(150)] as const;
/** So close to one of them is it. */
const NEAR_K = 8;
/** What a preheater is set to, where its range has it, and how long the board is given. */
const SET_K = [150, 180, 200, 220, 240, 280, 320, 350].map(kelvin);
const SOAKS_s = [120, 180, 240, 300] as const;

/**
 * Settings of a preheater that are tried under a tool in the hand, the coolest first: the usual one, then for each warmer
 * board the shortest soak that brings it there, at the gentlest setting. What a setting does to a board depends on the
 * kind of preheater: the board's temperature is asked for, not the source's.
 */
export function warmthsOf({ board, ambient_K }: PlanRequest, heater: Preheater): Preheat[] {
  const usual = usualPreheat(heater);
  const [least_K, most_K] = heater.setpointRange_K;
  const sets_K = [...SET_K.filter((set_K) => set_K >= least_K && set_K < most_K), most_K];
  const warm_K = (preheat: Preheat): number => boardTemperature_K(board, preheat, ambient_K);
  const found = [usual];
  for (const target_K of BOARDS_K) {
    if (warm_K(found.at(-1)!) > target_K - NEAR_K) continue;
    const first = SOAKS_s.flatMap((soak_s) =>
      sets_K.map((setpoint_K): Preheat => ({ kind: heater.kind, setpoint_K, soak_s })),
    ).find((preheat) => Math.abs(warm_K(preheat) - target_K) <= NEAR_K);
    if (first) found.push(first);
  }
  return found;
}
