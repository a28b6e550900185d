import { pessimisticOf } from '~/core/thermal/joint/draws';
import type { HandTool } from '../bench';
import { handSettingOf, type Binding, type Candidate } from '../candidate';
import type { HandSetting, PhaseRequest } from '../request';
import { isTurned } from '../limits/frontier';
import { against, type TipRange } from '../limits/habits';
import { PLAN } from '../settings';
import { allowanceFor, forecastTouches, type PinForecast } from '../limits/forecast';
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
  /** Tips that it is done with; left out where a tool brings its own. */
  readonly tipFor?: (request: PhaseRequest) => TipRange;
}

/** Tries one setting on every touch, but for those known by name. Touches that the model cannot tell apart share one run. */
export function tryOut(
  request: PhaseRequest,
  heat: HandHeat,
  setting: HandSetting,
  known: ReadonlyMap<string, PinForecast> = new Map(),
): Candidate {
  const touches = heat.touchesOf(request, setting);
  const hardest = touches.at(-1)!;
  const asked = (touch: Touch) => ({ touch, allowance: allowanceFor(request, touch.pads) });
  const unlike = new Map(
    touches.filter(({ name }) => !known.has(name)).map((touch) => [touch.likeness, touch]),
  );
  const atBad = known.has(hardest.name) ? [] : [{ ...asked(hardest), factors: pessimisticOf(hardest) }];
  const runs = forecastTouches([...[...unlike.values()].map(asked), ...atBad]);
  const byLikeness = new Map([...unlike.keys()].map((likeness, i) => [likeness, runs[i]!]));
  const pins = touches.map((touch) => {
    const forecast = known.get(touch.name) ?? byLikeness.get(touch.likeness)!;
    return { ...forecast, pad: touch.name, pads: touch.pads };
  });
  return {
    ...gathered(setting, pins, hardest.liquidus_K),
    against: against(request, setting, heat.tipFor?.(request) ?? null),
    ...(atBad.length ? { atWorst: atWorst(runs.at(-1)!, hardest) } : {}),
  };
}

function atWorst({ off_s }: PinForecast, { longest_s }: Touch): NonNullable<Candidate['atWorst']> {
  const inTime = off_s !== null && off_s <= longest_s;
  return { inTime, late_s: Math.max(0, (inTime ? off_s : longest_s) - PLAN.timedShare * longest_s) };
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

/**
 * Each pin at a set temperature of its own: the gentlest that is in time, and the quickest. The station is turned
 * between pins that differ; a signal pin and its plane neighbour are the usual case. Taken only where no one
 * temperature will do.
 */
export const turnedByPin = (of: readonly Candidate[]): Candidate[] =>
  of.length === 0
    ? []
    : [gentler, quicker]
        .map(
          (order) =>
            turned(
              of.filter(({ against }) => !against?.length),
              order,
            ) ?? turned(of, order),
        )
        .filter((c): c is Candidate => c !== null && isTurned(c));

const gentler = (a: PinForecast, b: PinForecast): number =>
  step(a.padDoseAtOff) - step(b.padDoseAtOff) || a.off_s! - b.off_s!;
const quicker = (a: PinForecast, b: PinForecast): number => a.off_s! - b.off_s!;
const step = (dose: number): number => Math.floor(dose / PLAN.damageResolution);

function turned(
  of: readonly Candidate[],
  order: (a: PinForecast, b: PinForecast) => number,
): Candidate | null {
  if (of.length === 0) return null;
  const base = handSettingOf(of[0]!);
  const perPad_K: Record<string, number> = {};
  const pins: PinForecast[] = [];
  let hardest = of[0]!;
  for (let i = 0; i < of[0]!.pins.length; i++) {
    const able = of.filter((c) => !isLate(c.pins[i]!)).sort((a, b) => order(a.pins[i]!, b.pins[i]!));
    const best = able[0];
    if (!best) return null;
    const pin = best.pins[i]!;
    perPad_K[pin.pad] = handSettingOf(best).setpoint_K;
    pins.push(pin);
    if (i === of[0]!.pins.length - 1) hardest = best;
  }
  // The temperature of most pins is the station's; the others are turned to.
  const counts = new Map<number, number>();
  for (const t of Object.values(perPad_K)) counts.set(t, (counts.get(t) ?? 0) + 1);
  const setpoint_K = [...counts].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
  const others = Object.fromEntries(Object.entries(perPad_K).filter(([, t]) => t !== setpoint_K));
  const used = of.filter((c) => Object.values(perPad_K).includes(handSettingOf(c).setpoint_K));
  return {
    ...gathered({ ...base, setpoint_K, perPad_K: others }, pins, 0),
    against: [...new Set(used.flatMap((c) => c.against ?? []))],
    ...(hardest.atWorst ? { atWorst: hardest.atWorst } : {}),
  };
}
