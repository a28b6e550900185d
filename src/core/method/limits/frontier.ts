import { boardTemperature_K } from '~/core/thermal/preheat';
import type { Candidate } from '../candidate';
import type { PlanRequest, Setting } from '../request';
import { PLAN, RANK } from '../settings';

/** Candidates that no other beats in both damage and time, quickest last. */
export function frontier(candidates: readonly Candidate[]): Candidate[] {
  const able = candidates
    .filter((c): c is Candidate & { time_s: number } => c.feasible && c.time_s !== null)
    .sort((a, b) => a.damage - b.damage || a.time_s - b.time_s);
  let quickest_s = Infinity;
  return able.filter((candidate) => {
    if (candidate.time_s >= quickest_s) return false;
    quickest_s = candidate.time_s;
    return true;
  });
}

/**
 * The order in which to trust candidates: damage first, but damages that the estimate cannot tell
 * apart go by time, and times that a hand cannot tell apart by the cooler tool. A soak costs its minutes.
 * One temperature for all pins comes before any that is turned between them.
 */
export function preference(candidates: readonly Candidate[]): Candidate[] {
  const cost = ({ damage, setting }: Candidate): number =>
    Math.floor(damage / PLAN.damageResolution) * PLAN.damageResolution +
    RANK.perMinute * ((setting.preheat?.soak_s ?? 0) / 60);
  const able = candidates.filter((c) => c.feasible);
  const quickest = new Map<number, number>();
  for (const c of able) quickest.set(cost(c), Math.min(quickest.get(cost(c)) ?? Infinity, c.time_s!));
  const late = (c: Candidate): number => Math.floor((c.time_s! - quickest.get(cost(c))!) / resolution_s(c));
  return able.sort(
    (a, b) =>
      Number(isTurned(a)) - Number(isTurned(b)) ||
      cost(a) - cost(b) ||
      late(a) - late(b) ||
      heat_K(a) - heat_K(b) ||
      a.time_s! - b.time_s!,
  );
}

const resolution_s = ({ setting }: Candidate): number =>
  setting.kind === 'air' ? PLAN.airResolution_s : PLAN.timeResolution_s;
const heat_K = ({ setting }: Candidate): number =>
  setting.kind === 'air' ? setting.air_K : setting.setpoint_K;

/** Whether the station is turned between its pins: a trouble that is taken where one temperature will not do. */
export const isTurned = ({ setting }: Candidate): boolean =>
  setting.kind === 'hand' && Object.keys(setting.perPad_K ?? {}).length > 0;

/**
 * The frontier among settings of the same warmth as one of them, turned between pins as it is: a soak is another kind
 * of time, and turning another kind of trouble.
 */
export const frontierAbout = (candidates: readonly Candidate[], about: Candidate): Candidate[] => {
  const warmed = (c: Candidate): boolean => c.setting.preheat !== null;
  return about.setting.kind === 'air'
    ? frontier(candidates)
    : frontier(candidates.filter((c) => warmed(c) === warmed(about) && isTurned(c) === isTurned(about)));
};

/** The candidate that fails by least: shortest lateness first, then the hottest of the coldest solder. */
export function nearestMiss(candidates: readonly Candidate[]): Candidate {
  return candidates.reduce((a, b) => (missOf(b) < missOf(a) ? b : a));
}

/** Longer than any lateness: what never melts is farther off than what melts late. */
const NEVER_s = 1e3;

/** How far a setting is from working, on a scale that only orders. */
export function missOf({ binding }: Pick<Candidate, 'binding'>): number {
  if (!binding) return 0;
  // Everything melts in time, and something beside it gets too hot: a shield away from working.
  if (binding.neighbour) return (binding.neighbour.body_K - PLAN.neighbourBody_K) / PLAN.neighbourBody_K;
  return binding.short_s ?? NEVER_s + (binding.shortOfLiquidus_K ?? 0);
}

/** How long a preheated board takes to be cool to the touch in still air, s; null without preheat. */
export function coolDown_s(
  request: PlanRequest,
  setting: Setting,
  areal_J_m2K: number,
  film_W_m2K: number,
): number | null {
  const hot_K = boardTemperature_K(request.board, setting.preheat, request.ambient_K);
  if (hot_K <= PLAN.cool_K) return null;
  return (
    (areal_J_m2K / film_W_m2K) * Math.log((hot_K - request.ambient_K) / (PLAN.cool_K - request.ambient_K))
  );
}
