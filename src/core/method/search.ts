import { boardTemperature_K, type Preheat } from '../thermal/preheat';
import { allowanceFor, forecastPin, type PinForecast } from './forecast';
import { likeness, padOrder, scenarioFor, type PlanRequest, type Setting } from './request';
import { PLAN } from './settings';

/** One setting tried on every pin at nominal values. */
export interface Candidate {
  readonly setting: Setting;
  readonly pins: readonly PinForecast[];
  readonly feasible: boolean;
  /** Longest dwell of the pins when all goes to plan; null where a pin never melts in time. */
  readonly time_s: number | null;
  /** Worst pad dose plus worst laminate dose, shares of their budgets. */
  readonly damage: number;
  readonly binding: Binding | null;
}

/** The limit that stops a setting, and by how much. */
export interface Binding {
  readonly pad: string;
  readonly limit: 'melt' | 'method' | PinForecast['because'];
  /** Seconds by which the melt comes too late; null if it never comes within the horizon. */
  readonly short_s: number | null;
  /** How far the coldest solder stays below its liquidus at the stop, K. */
  readonly shortOfLiquidus_K: number | null;
  readonly lastToMelt: string;
}

/** Tries one setting on every pin. Pins with the same connections share one run. */
export function tryOut(request: PlanRequest, setting: Setting, liquidus_K: number): Candidate {
  const runs = new Map<string, PinForecast>();
  const pins = padOrder(request).map((pad) => {
    const key = likeness(request, pad);
    const forecast =
      runs.get(key) ?? forecastPin(scenarioFor(request, setting, pad), allowanceFor(request, pad));
    runs.set(key, forecast);
    return { ...forecast, pad };
  });
  const late = pins.find((pin) => pin.off_s === null || pin.off_s > pin.stop_s);
  const time_s = pins.some((pin) => pin.off_s === null) ? null : Math.max(...pins.map((pin) => pin.off_s!));
  const damage =
    Math.max(...pins.map((pin) => pin.padDoseAtOff)) + Math.max(...pins.map((pin) => pin.laminateDoseAtOff));
  return {
    setting,
    pins,
    feasible: late === undefined,
    time_s,
    damage,
    binding: late ? bindingOf(late, liquidus_K) : null,
  };
}

function bindingOf(pin: PinForecast, liquidus_K: number): Binding {
  const coldest_K = pin.run.coldestSolder_K.at(-1)!;
  return {
    pad: pin.pad,
    limit: pin.because === 'longest dwell' ? 'melt' : pin.because,
    short_s: pin.off_s === null ? null : pin.off_s - pin.stop_s,
    shortOfLiquidus_K: pin.off_s === null ? Math.max(0, liquidus_K - coldest_K) : null,
    lastToMelt: pin.run.lastToMelt,
  };
}

/** Every tool, tip and set temperature on the bench, for one preheat. */
export function settingsOnBench(request: PlanRequest, preheat: Preheat | null): Setting[] {
  return request.irons.flatMap((iron) =>
    iron.tips.flatMap((tip) => {
      const [low, high] = iron.setpointRange_K;
      const count = Math.floor((high - low) / PLAN.setpointStep_K + 1e-9);
      return Array.from({ length: count + 1 }, (_, i) => ({
        iron,
        tip,
        setpoint_K: low + i * PLAN.setpointStep_K,
        preheat,
        fluxed: true,
        freshSolder: true,
      }));
    }),
  );
}

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
 * apart go by time, and so by the shorter dwell.
 */
export function preference(candidates: readonly Candidate[]): Candidate[] {
  const step = (damage: number): number => Math.floor(damage / PLAN.damageResolution);
  return candidates
    .filter((c) => c.feasible)
    .sort((a, b) => step(a.damage) - step(b.damage) || a.time_s! - b.time_s!);
}

/** The candidate that fails by least: shortest lateness first, then the hottest of the coldest solder. */
export function nearestMiss(candidates: readonly Candidate[]): Candidate {
  const NEVER_s = 1e3;
  const shortfall = ({ binding }: Candidate): number =>
    binding ? (binding.short_s ?? NEVER_s + (binding.shortOfLiquidus_K ?? 0)) : 0;
  return candidates.reduce((a, b) => (shortfall(b) < shortfall(a) ? b : a));
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
