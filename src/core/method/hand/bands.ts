import { jointDraws, type Draw } from '~/core/thermal/joint/draws';
import { readAs, sideBySide, type Prepared } from '~/core/thermal/network/prepared';
import { doseCurve } from '~/core/thermal/history';
import { percentile, spreadOf, type Spread } from '~/core/statistics/percentile';
import type { HandSetting, PhaseRequest } from '../request';
import { PLAN } from '../settings';
import { livesAt } from '../limits/forecast';
import type { HandHeat } from './handTrial';
import { extended, stopOf, type Allowance, type Dwell, type Stop } from '../limits/stop';
import type { Touch } from './touch';

/** What is known of one touch when the uncertain inputs are drawn many times. */
export interface PinBand extends Stop {
  readonly pad: string;
  /** Pads it works on; one, or all that are heated together. */
  readonly pads: readonly string[];
  readonly draws: number;
  readonly melt_s: Spread;
  /** From here the pin may be moved: the median melt and its settling. */
  readonly liftFrom_s: number;
  /** Of the draws that melt before the stop, nine in ten can be held this long after it. */
  readonly holdAfterMelt_s: number;
  /** Share of draws still solid somewhere at the stop. */
  readonly chanceSolidAtStop: number;
  /** Doses when the iron leaves as instructed: settled after the melt, or at the stop. */
  readonly padDose: Spread;
  readonly laminateDose: Spread;
  /** The land at its hottest until then. */
  readonly padPeak_K: Spread;
}

/** One draw of a touch, held until a little after its melt. */
export interface DrawnDwell extends Dwell {
  /** Infinite where it never came. */
  readonly melt_s: number;
  readonly land_K: Float64Array;
}

/** Some of a touch's draws. */
export interface DrawnTouch {
  readonly touch: string;
  readonly dwells: readonly DrawnDwell[];
}

/** Runs draws of a touch, those from one up to another of all of them, side by side. Null is a pause after each. */
export function drawDwells(
  touch: Touch,
  of: { readonly draws: number; readonly seed: number; readonly from?: number; readonly to?: number },
): Generator<null, DrawnDwell[]> {
  const drawn = jointDraws(touch, of.draws, of.seed, of.from, of.to);
  return sideBySide(drawn.map((draw) => () => drawnDwell(touch, draw)));
}

function drawnDwell(touch: Touch, draw: Draw): Prepared<DrawnDwell> {
  const lives = livesAt(touch.laminate, touch.land_m2, draw.padLife, draw.laminateLife);
  let molten_s = Infinity;
  const prepared = touch.prepare({
    duration_s: touch.longest_s + PLAN.past_s,
    factors: draw.factors,
    tolerance_K: PLAN.tolerance_K,
    // Past the melt only the doses matter, and they run on almost straight.
    stopWhen: (time_s, _land_K, molten) => {
      if (molten && time_s < molten_s) molten_s = time_s;
      return time_s > molten_s + FOLLOW_s;
    },
  });
  return readAs(prepared, (run) => ({
    melt_s: run.fullMelt_s ?? Infinity,
    pad: doseCurve(lives.pad, run.time_s, run.land_K),
    laminate: doseCurve(lives.laminate, run.time_s, run.laminate_K),
    time_s: run.time_s,
    land_K: run.land_K,
    body_K: run.body_K,
    plastic_K: run.plastic_K,
  }));
}

/** Some draws of one touch of a setting, as a piece of a plan. */
export function* drawTouch(
  request: PhaseRequest,
  heat: HandHeat,
  asked: {
    readonly setting: HandSetting;
    readonly touch: string;
    readonly from: number;
    readonly to: number;
  },
): Generator<null, DrawnTouch> {
  const touch = heat.touchesOf(request, asked.setting).find((t) => t.name === asked.touch);
  if (!touch) throw new Error(`no touch ${asked.touch}`);
  const { from, to } = asked;
  const dwells = yield* drawDwells(touch, { draws: PLAN.draws, seed: request.seed, from, to });
  return { touch: touch.name, dwells };
}

/** A band that more draws will hardly bring back under the acceptable chance: two standard errors over. */
export function isHopeless({ chanceSolidAtStop: chance, draws }: PinBand): boolean {
  return chance - 2 * Math.sqrt((chance * (1 - chance)) / draws) > PLAN.acceptableMiss;
}

/** Draws are followed this long past their melt; later dose is extended along its last slope. */
const FOLLOW_s = 1.2;

/**
 * The band of one touch from its draws. A technician who sees the melt takes the iron off; the stop is for the one who
 * does not. So it is set where a tenth of all draws would have met a limit while still being held.
 */
export function bandOf(touch: Touch, dwells: readonly DrawnDwell[], allowance: Allowance): PinBand {
  const limits = dwells.map((d) => stopOf(d, allowance, touch.longest_s));
  const melts = dwells.map((d) => d.melt_s).sort((a, b) => a - b);
  const melt_s = spreadOf(melts);
  const stop = patientStop(stopAmong(dwells, limits, touch.longest_s), melt_s.p90);
  const holds = dwells
    .flatMap((d, i) => (d.melt_s <= stop.stop_s ? [limits[i]!.stop_s - d.melt_s] : []))
    .sort((a, b) => a - b);
  const left_s = (d: DrawnDwell): number => Math.min(off_s(d), stop.stop_s);
  const at = (curve: 'pad' | 'laminate') =>
    spreadOf(dwells.map((d) => extended(d.time_s, d[curve], left_s(d))));
  return {
    pad: touch.name,
    pads: touch.pads,
    draws: dwells.length,
    ...stop,
    melt_s,
    liftFrom_s: melt_s.p50 + PLAN.settle_s,
    holdAfterMelt_s: holds.length ? Math.max(0, percentile(holds, 0.1)) : 0,
    chanceSolidAtStop: melts.filter((m) => m > stop.stop_s).length / melts.length,
    padDose: at('pad'),
    laminateDose: at('laminate'),
    padPeak_K: spreadOf(dwells.map((d) => hottestBy(d, left_s(d)))),
  };
}

/** When the iron leaves a pin whose melt is seen. */
const off_s = (d: DrawnDwell): number => d.melt_s + PLAN.settle_s + PLAN.reaction_s;

/** The land at its hottest until some time. */
function hottestBy({ time_s, land_K }: DrawnDwell, at_s: number): number {
  const after = time_s.findIndex((t) => t > at_s);
  return Math.max(extended(time_s, land_K, at_s), ...land_K.subarray(0, after < 0 ? land_K.length : after));
}

/** The time at which a tenth of all draws has met a limit while still held. */
function stopAmong(dwells: readonly DrawnDwell[], limits: readonly Stop[], longest_s: number): Stop {
  const harmed = limits
    .filter((limit, i) => limit.stop_s < off_s(dwells[i]!) && limit.because !== 'longest dwell')
    .sort((a, b) => a.stop_s - b.stop_s);
  const tenth = Math.ceil(PLAN.acceptableHarm * dwells.length);
  return harmed[tenth - 1] ?? { stop_s: longest_s, because: 'longest dwell' };
}

/**
 * Where nine draws in ten have long melted, waiting on is no use: what is under the iron is not what was planned, and a tip
 * that is cleaned and fluxed anew does more than another five seconds on the land (common practice).
 */
function patientStop(stop: Stop, late_s: number): Stop {
  const patient_s = Math.max(PLAN.leastStop_s, PLAN.patience * late_s);
  return patient_s < stop.stop_s ? { stop_s: patient_s, because: 'well past the melt' } : stop;
}

/**
 * A band that more draws would only make smoother: every draw so far melts long before its stop, which no budget sets,
 * and its tenths are known to what a hand can time.
 */
export function isSettled(band: PinBand, dwells: readonly DrawnDwell[]): boolean {
  if (band.because !== 'well past the melt' || band.chanceSolidAtStop > 0) return false;
  const melts = dwells.map((d) => d.melt_s).sort((a, b) => a - b);
  return [0.1, 0.5, 0.9].every((share) => {
    const spread = Math.sqrt((share * (1 - share)) / melts.length);
    const low_s = percentile(melts, Math.max(0, share - spread));
    const high_s = percentile(melts, Math.min(1, share + spread));
    return (high_s - low_s) / 2 <= PLAN.timed_s;
  });
}

/** A pin whose band shows it molten and settled before its stop, but for a small chance, with room to lift. */
export const isSure = (band: PinBand): boolean =>
  band.chanceSolidAtStop <= PLAN.acceptableMiss &&
  band.liftFrom_s <= band.stop_s &&
  band.holdAfterMelt_s >= PLAN.settle_s;
