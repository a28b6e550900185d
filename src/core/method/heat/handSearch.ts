import type { Preheat } from '../../thermal/preheat';
import { usualPreheat, type HandTool } from '../bench';
import type { Binding, Candidate } from '../candidate';
import { ask, type Working } from '../pieces/piece';
import type { HandSetting, PhaseRequest } from '../request';
import { frontier, isTurned, preference } from '../search';
import { PLAN } from '../settings';
import { allowanceFor, forecastTouch, type PinForecast } from './forecast';
import type { Touch } from './touch';

/** What a method does with a tool in the hand: with which tools, and which touches a setting comes to. */
export interface HandHeat {
  readonly kind: 'hand';
  /** Methods with the same key ask the same of the model and share its answers. */
  readonly key: string;
  readonly toolsOf: (request: PhaseRequest) => readonly HandTool[];
  /** In the order of work, the hardest last. */
  readonly touchesOf: (request: PhaseRequest, setting: HandSetting) => readonly Touch[];
  readonly freshSolder: boolean;
}

/** Tries one setting on every touch, but for those known by name. Touches that the model cannot tell apart share one run. */
export function tryOut(
  request: PhaseRequest,
  heat: HandHeat,
  setting: HandSetting,
  known: ReadonlyMap<string, PinForecast> = new Map(),
): Candidate {
  const runs = new Map<string, PinForecast>();
  let liquidus_K = 0;
  const pins = heat.touchesOf(request, setting).map((touch) => {
    liquidus_K = touch.liquidus_K;
    const forecast =
      known.get(touch.name) ??
      runs.get(touch.likeness) ??
      forecastTouch(touch, allowanceFor(request, touch.pads));
    runs.set(touch.likeness, forecast);
    return { ...forecast, pad: touch.name, pads: touch.pads };
  });
  return gathered(setting, pins, liquidus_K);
}

/** One setting's touches as a candidate. */
function gathered(setting: HandSetting, pins: readonly PinForecast[], liquidus_K: number): Candidate {
  const late = latest(pins);
  const time_s = pins.some((pin) => pin.off_s === null) ? null : Math.max(...pins.map((pin) => pin.off_s!));
  const damage =
    Math.max(...pins.map((pin) => pin.padDoseAtOff)) + Math.max(...pins.map((pin) => pin.laminateDoseAtOff));
  return {
    setting,
    pins,
    feasible: late === null,
    time_s,
    damage,
    binding: late ? bindingOf(late, liquidus_K) : null,
  };
}

/** The pin that misses its stop by most: of those that never melt the coldest, else the latest. */
function latest(pins: readonly PinForecast[]): PinForecast | null {
  const late = pins.filter(isLate);
  const never = late.filter((pin) => pin.off_s === null);
  const worse = (a: PinForecast, b: PinForecast): boolean =>
    never.length > 0 ? b.coldestAtEnd_K < a.coldestAtEnd_K : b.off_s! - b.stop_s > a.off_s! - a.stop_s;
  const [first, ...others] = never.length > 0 ? never : late;
  return first ? others.reduce((a, b) => (worse(a, b) ? b : a), first) : null;
}

const isLate = (pin: PinForecast): boolean => pin.off_s === null || pin.off_s > pin.stop_s;

function bindingOf(pin: PinForecast, liquidus_K: number): Binding {
  return {
    pad: pin.pad,
    limit: pin.because === 'longest dwell' ? 'melt' : pin.because,
    short_s: pin.off_s === null ? null : pin.off_s - pin.stop_s,
    shortOfLiquidus_K: pin.off_s === null ? Math.max(0, liquidus_K - pin.coldestAtEnd_K) : null,
    lastToMelt: pin.lastToMelt,
  };
}

/** Every tool, tip and set temperature a method can use on this bench, for one preheat. */
export function settingsOnBench(
  request: PhaseRequest,
  heat: HandHeat,
  preheat: Preheat | null,
): HandSetting[] {
  return heat.toolsOf(request).flatMap((iron) =>
    iron.tips.flatMap((tip) => {
      const [low, high] = iron.setpointRange_K;
      const from_K = Math.max(low, PLAN.leastSetpoint_K);
      const count = Math.max(0, Math.floor((high - from_K) / PLAN.setpointStep_K + 1e-9));
      return Array.from({ length: count + 1 }, (_, i): HandSetting => ({
        kind: 'hand',
        iron,
        tip,
        setpoint_K: from_K + i * PLAN.setpointStep_K,
        preheat,
        fluxed: true,
        freshSolder: heat.freshSolder,
      }));
    }),
  );
}

/** Cold, and over each preheater where cold will not do or costs much. */
export function* searchWarmToo(request: PhaseRequest, heat: HandHeat): Working<Candidate[]> {
  const cold = yield* searchByHand(request, heat, null);
  const best = Math.min(...cold.filter((c) => c.feasible).map((c) => c.damage));
  if (best <= PLAN.warmFrom) return cold;
  return [...cold, ...(yield* searchPreheated(request, heat))];
}

/** Over each preheater of the bench at its usual setting. */
export function* searchPreheated(request: PhaseRequest, heat: HandHeat): Working<Candidate[]> {
  const all: Candidate[] = [];
  for (const heater of request.preheaters) {
    all.push(...(yield* searchByHand(request, heat, usualPreheat(heater))));
  }
  return all;
}

/**
 * Every tip on the bench at nominal values, for one preheat: from its hottest setting down in double steps, then the
 * steps between on the tips that are worth it, and each pin at a setting of its own.
 */
export function* searchByHand(
  request: PhaseRequest,
  heat: HandHeat,
  preheat: Preheat | null,
): Working<Candidate[]> {
  const tips = tipsOf(settingsOnBench(request, heat, preheat));
  const coarse = yield* ask(
    request,
    tips.map((settings) => ladder(heat, settings.filter((_, i) => i % 2 === 0))),
    { shown: ({ length }) => ({ stage: 'search', done: length, of: tips.length }) },
  );
  const between = worthFiner(coarse).map((tip) => ({ tip, settings: besides(tips[tip]!, coarse[tip]!) }));
  const finer = yield* ask(
    request,
    between.map(({ settings }) => ladder(heat, settings)),
  );
  const found = coarse.map((candidates) => [...candidates]);
  between.forEach(({ tip }, i) => found[tip]!.push(...finer[i]!));
  return found.flatMap((candidates) => {
    candidates.sort((a, b) => setpoint_K(b) - setpoint_K(a));
    return [...candidates, ...turnedByPin(candidates)];
  });
}

const ladder = (heat: HandHeat, settings: readonly HandSetting[]) =>
  ({ kind: 'ladder', heat: heat.key, settings }) as const;

const setpoint_K = ({ setting }: Candidate): number => (setting as HandSetting).setpoint_K;

/** Tips with a place on the frontier, or preferred; where nothing will do, all: what lies between may just do. */
function worthFiner(tips: readonly (readonly Candidate[])[]): number[] {
  const all = tips.flat();
  const best = new Set([...frontier(all), ...preference(all).slice(0, 1)]);
  return [...tips.keys()].filter((i) => best.size === 0 || tips[i]!.some((c) => best.has(c)));
}

/** One tip's settings next to its best, or next to all that were tried where none of them will do. */
function besides(settings: readonly HandSetting[], tried: readonly Candidate[]): HandSetting[] {
  const best = preference(tried)[0];
  const about = new Set((best ? [best] : tried).map(setpoint_K));
  const isAbout = (setting: HandSetting | undefined): boolean => !!setting && about.has(setting.setpoint_K);
  return settings.filter((_, i) => isAbout(settings[i - 1]) || (best && isAbout(settings[i + 1])));
}

/**
 * One tip at settings from the hottest down, until it melts nothing. A joint that it never melts it does not melt
 * colder either: it is not run again and keeps its forecast, the best of those that are no use.
 */
export function* climb(
  request: PhaseRequest,
  heat: HandHeat,
  settings: readonly HandSetting[],
): Generator<null, Candidate[]> {
  const candidates: Candidate[] = [];
  const lost = new Map<string, PinForecast>();
  for (const setting of settings) {
    const candidate = tryOut(request, heat, setting, lost);
    candidates.push(candidate);
    yield null;
    for (const pin of candidate.pins) if (pin.off_s === null) lost.set(pin.pad, pin);
    if (lost.size === candidate.pins.length) break;
  }
  return candidates;
}

/** Settings by tip, the hottest of each first. */
function tipsOf(settings: readonly HandSetting[]): HandSetting[][] {
  const tips = new Map<string, HandSetting[]>();
  for (const setting of settings) {
    const key = `${setting.iron.id} ${JSON.stringify(setting.tip)}`;
    tips.set(key, [setting, ...(tips.get(key) ?? [])]);
  }
  return [...tips.values()];
}

/**
 * Each pin at a set temperature of its own: the gentlest that is in time, and the quickest. The station is turned
 * between pins that differ; a signal pin and its plane neighbour are the usual case. Taken only where no one
 * temperature will do.
 */
const turnedByPin = (of: readonly Candidate[]): Candidate[] =>
  of.length === 0
    ? []
    : [turned(of, gentler), turned(of, quicker)].filter((c): c is Candidate => c !== null && isTurned(c));

const gentler = (a: PinForecast, b: PinForecast): number =>
  step(a.padDoseAtOff) - step(b.padDoseAtOff) || a.off_s! - b.off_s!;
const quicker = (a: PinForecast, b: PinForecast): number => a.off_s! - b.off_s!;
const step = (dose: number): number => Math.floor(dose / PLAN.damageResolution);

function turned(
  of: readonly Candidate[],
  order: (a: PinForecast, b: PinForecast) => number,
): Candidate | null {
  const base = of[0]!.setting as HandSetting;
  const perPad_K: Record<string, number> = {};
  const pins: PinForecast[] = [];
  for (let i = 0; i < of[0]!.pins.length; i++) {
    const able = of.filter((c) => !isLate(c.pins[i]!)).sort((a, b) => order(a.pins[i]!, b.pins[i]!));
    const best = able[0];
    if (!best) return null;
    const pin = best.pins[i]!;
    perPad_K[pin.pad] = (best.setting as HandSetting).setpoint_K;
    pins.push(pin);
  }
  // The temperature of most pins is the station's; the others are turned to.
  const counts = new Map<number, number>();
  for (const t of Object.values(perPad_K)) counts.set(t, (counts.get(t) ?? 0) + 1);
  const setpoint_K = [...counts].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
  const others = Object.fromEntries(Object.entries(perPad_K).filter(([, t]) => t !== setpoint_K));
  return gathered({ ...base, setpoint_K, perPad_K: others }, pins, 0);
}
