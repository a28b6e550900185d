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
 * The order in which to trust candidates. First what no habit of the trade speaks against, one temperature for all pins,
 * and what nothing of its kind beats in both damage and time. Then by cost: damage to the step that the estimate can
 * tell apart, a soak's minutes, and the seconds that a touch may last past what a hand can time. What costs alike goes by
 * the lesser damage, and by the cooler tool.
 */
export function preference(candidates: readonly Candidate[]): Candidate[] {
  const able = candidates.filter((c) => c.feasible);
  const unbeaten = new Set(kindsOf(able).flatMap(frontier));
  const late = lateness(able);
  const cost = new Map(able.map((c) => [c, costOf(c) + late(c)]));
  return able.sort(
    (a, b) =>
      Number(isTurned(a)) - Number(isTurned(b)) ||
      habitsAgainst(a) - habitsAgainst(b) ||
      Number(unbeaten.has(b)) - Number(unbeaten.has(a)) ||
      Math.round((cost.get(a)! - cost.get(b)!) * 1e6) ||
      a.damage - b.damage ||
      heat_K(a) - heat_K(b) ||
      a.time_s! - b.time_s!,
  );
}

/**
 * Damage against what is left to spend: a land of which most is spent, or that is hurt, feels the same dose more. On
 * whole lands it is the damage.
 */
export function strainOf({ pins, damage }: Pick<Candidate, 'pins' | 'damage'>): number {
  const dose = Math.max(0, ...pins.map((pin) => pin.padDoseAtOff));
  const felt = Math.max(0, ...pins.map((pin) => (pin.padDoseAtOff * PLAN.dwellShare) / pin.padDoseAllowed));
  return damage - dose + felt;
}

/** A strain in steps of what the estimate can tell apart. */
export const strainSteps = (candidate: Pick<Candidate, 'pins' | 'damage'>): number =>
  Math.floor(strainOf(candidate) / PLAN.damageResolution) * PLAN.damageResolution;

const costOf = (candidate: Candidate): number =>
  strainSteps(candidate) + RANK.perMinute * ((candidate.setting.preheat?.soak_s ?? 0) / 60);

/**
 * What a candidate's time costs. A hand is timed by the clock: what is past what it can time. Under air only the
 * others count: the steps by which it is slower than the quickest that costs as much.
 */
function lateness(able: readonly Candidate[]): (c: Candidate) => number {
  const quickest = new Map<number, number>();
  for (const c of able) quickest.set(costOf(c), Math.min(quickest.get(costOf(c)) ?? Infinity, c.time_s!));
  return (c) =>
    c.setting.kind === 'hand'
      ? lateCost(c)
      : // Less than a step of damage in all: it only parts what costs alike.
        1e-5 * Math.floor((c.time_s! - quickest.get(costOf(c))!) / PLAN.airResolution_s);
}

/** What it costs that a touch lasts past what a hand can time, in steps that a hand can tell apart. */
export const lateCost = ({ atWorst }: Pick<Candidate, 'atWorst'>): number =>
  RANK.perLateSecond * PLAN.timed_s * Math.floor((atWorst?.late_s ?? 0) / PLAN.timed_s);

const habitsAgainst = ({ against }: Candidate): number => against?.length ?? 0;

const heat_K = ({ setting }: Candidate): number =>
  setting.kind === 'air' ? setting.air_K : setting.setpoint_K;

/** Candidates that may be held against each other: warmed and turned alike, with as much of habit against them. */
function kindsOf(candidates: readonly Candidate[]): Candidate[][] {
  const kinds = new Map<string, Candidate[]>();
  for (const c of candidates) kinds.set(kindOf(c), [...(kinds.get(kindOf(c)) ?? []), c]);
  return [...kinds.values()];
}

const kindOf = (c: Candidate): string =>
  c.setting.kind === 'air' ? 'air' : `${c.setting.preheat !== null} ${isTurned(c)} ${habitsAgainst(c)}`;

/** Whether the station is turned between its pins: a trouble that is taken where one temperature will not do. */
export const isTurned = ({ setting }: Candidate): boolean =>
  setting.kind === 'hand' && Object.keys(setting.perPad_K ?? {}).length > 0;

/** The frontier among settings of the same kind as one of them: a soak is another kind of time, turning another trouble. */
export const frontierAbout = (candidates: readonly Candidate[], about: Candidate): Candidate[] =>
  frontier(candidates.filter((c) => kindOf(c) === kindOf(about)));

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
  if (binding.neighbour)
    return (binding.neighbour.body_K - binding.neighbour.bodyLimit_K) / binding.neighbour.bodyLimit_K;
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
