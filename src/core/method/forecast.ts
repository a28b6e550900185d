import { FAMILY_TRAITS } from '../packages/families';
import { doseRate_1_s, laminateEndurance, padEndurance, type Endurance } from '../thermal/dose';
import { simulateJoint, type JointRun, type Probe } from '../thermal/joint/simulate';
import type { Factors, JointScenario } from '../thermal/joint/scenario';
import type { PlanRequest } from './request';
import { PLAN } from './settings';

/** How long one pin may be held, and why no longer. */
export interface Stop {
  readonly stop_s: number;
  readonly because: 'pad budget' | 'laminate budget' | 'part limit' | 'longest dwell' | 'past every melt';
}

/** Budget that one dwell may spend at one pad, as shares of the whole. */
export interface Allowance {
  readonly padDose: number;
  readonly laminateDose: number;
  /** Body temperature not to be passed; infinite where the part is given up. */
  readonly body_K: number;
}

/** One pin's dwell at nominal values. */
export interface PinForecast extends Stop {
  readonly pad: string;
  readonly run: JointRun;
  readonly fullMelt_s: number | null;
  /** When the iron leaves if all goes to plan: melt, settle, reaction. */
  readonly off_s: number | null;
  readonly padDoseAtOff: number;
  readonly laminateDoseAtOff: number;
  readonly bodyPeak_K: number;
}

export interface Lives {
  readonly pad: Endurance;
  readonly laminate: Endurance;
}

export function livesOf(scenario: JointScenario, padLife = 1, laminateLife = 1): Lives {
  const land_m2 = (Math.PI / 4) * (scenario.part.landDiameter_m ** 2 - scenario.part.holeDiameter_m ** 2);
  const pad = padEndurance(scenario.board.laminate, land_m2);
  const laminate = laminateEndurance(scenario.board.laminate);
  return {
    pad: { ...pad, scale_s: pad.scale_s * padLife },
    laminate: { ...laminate, scale_s: laminate.scale_s * laminateLife },
  };
}

/** What one dwell at a pad may spend of what is left, and what the part allows. */
export function allowanceFor(request: PlanRequest, pad: string): Allowance {
  const { padDose, laminateDose } = request.history;
  const keepPart = request.goal !== 'remove-sacrifice-part';
  return {
    padDose: PLAN.dwellShare * Math.max(0, 1 - (padDose[pad] ?? 0)),
    laminateDose: PLAN.dwellShare * Math.max(0, 1 - laminateDose),
    body_K: keepPart ? FAMILY_TRAITS[request.site.part.family].bodyLimit.value : Infinity,
  };
}

/** Cumulative dose at each time of a run. */
export function doseCurve(life: Endurance, time_s: Float64Array, temperature_K: Float64Array): Float64Array {
  const curve = new Float64Array(time_s.length);
  let rate = doseRate_1_s(life, temperature_K[0]!);
  for (let i = 1; i < time_s.length; i++) {
    const next = doseRate_1_s(life, temperature_K[i]!);
    curve[i] = curve[i - 1]! + 0.5 * (rate + next) * (time_s[i]! - time_s[i - 1]!);
    rate = next;
  }
  return curve;
}

/** A curve's value at one time by linear interpolation, held at its ends. */
export function valueAt(time_s: Float64Array, values: Float64Array, at_s: number): number {
  if (at_s >= time_s.at(-1)!) return values.at(-1)!;
  let high = 1;
  while (time_s[high]! < at_s) high++;
  const span = time_s[high]! - time_s[high - 1]!;
  const share = Math.max(0, (at_s - time_s[high - 1]!) / span);
  return values[high - 1]! + share * (values[high]! - values[high - 1]!);
}

/** First time a rising curve reaches a level, or null. */
export function firstReached_s(time_s: Float64Array, values: Float64Array, level: number): number | null {
  for (let i = 0; i < time_s.length; i++) {
    if (values[i]! >= level) {
      if (i === 0) return time_s[0]!;
      const share = (level - values[i - 1]!) / (values[i]! - values[i - 1]!);
      return time_s[i - 1]! + share * (time_s[i]! - time_s[i - 1]!);
    }
  }
  return null;
}

/** The earliest limit that a dwell meets. */
export function stopOf(
  time_s: Float64Array,
  padDose: Float64Array,
  laminateDose: Float64Array,
  body_K: Float64Array,
  allowance: Allowance,
): Stop {
  const limits: [Stop['because'], number | null][] = [
    ['pad budget', firstReached_s(time_s, padDose, allowance.padDose)],
    ['laminate budget', firstReached_s(time_s, laminateDose, allowance.laminateDose)],
    ['part limit', firstReached_s(time_s, body_K, allowance.body_K)],
  ];
  let stop: Stop = { stop_s: PLAN.longestDwell_s, because: 'longest dwell' };
  for (const [because, at_s] of limits) {
    if (at_s !== null && at_s < stop.stop_s) stop = { stop_s: at_s, because };
  }
  return stop;
}

export interface ForecastOptions {
  readonly factors?: Factors;
  readonly padLife?: number;
  readonly laminateLife?: number;
  readonly probes?: readonly Probe[];
  /** True: follow the whole horizon, for curves; false: end once the outcome is known. */
  readonly whole?: boolean;
}

/** Runs one pin and reads its melt, its stop and its doses. */
export function forecastPin(
  scenario: JointScenario,
  allowance: Allowance,
  options: ForecastOptions = {},
): PinForecast {
  const lives = livesOf(scenario, options.padLife, options.laminateLife);
  let molten_s: number | null = null;
  const liquidusMargin_s = PLAN.settle_s + PLAN.reaction_s;
  let padDose = 0;
  let before_s = 0;
  const run = simulateJoint(scenario, {
    duration_s: PLAN.horizon_s,
    probes: options.probes,
    factors: options.factors,
    tolerance_K: options.whole ? undefined : PLAN.tolerance_K,
    stopWhen: options.whole
      ? undefined
      : (time_s, land_K, molten) => {
          padDose += doseRate_1_s(lives.pad, land_K) * (time_s - before_s);
          before_s = time_s;
          if (molten && molten_s === null) molten_s = time_s;
          const off = molten_s !== null && time_s >= molten_s + liquidusMargin_s;
          return off && padDose > allowance.padDose;
        },
  });
  const pad = doseCurve(lives.pad, run.time_s, run.land_K);
  const laminate = doseCurve(lives.laminate, run.time_s, run.laminate_K);
  const stop = stopOf(run.time_s, pad, laminate, run.body_K, allowance);
  const off_s = run.fullMelt_s === null ? null : run.fullMelt_s + liquidusMargin_s;
  const held_s = off_s ?? stop.stop_s;
  return {
    pad: scenario.pad,
    run,
    ...stop,
    fullMelt_s: run.fullMelt_s,
    off_s,
    padDoseAtOff: valueAt(run.time_s, pad, held_s),
    laminateDoseAtOff: valueAt(run.time_s, laminate, held_s),
    bodyPeak_K: valueAt(run.time_s, run.body_K, held_s),
  };
}
