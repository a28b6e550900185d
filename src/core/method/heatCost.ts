import { alone } from '~/core/thermal/network/prepared';
import { isSurface, padNamesOf } from '~/core/packages/form';
import { celsius } from '~/core/quantity/convert';
import type { RunEventBody } from '~/core/record/runEvents';
import { TOGETHER } from '~/core/record/runState';
import { relayed } from '~/core/stepwise';
import { bondEndurance } from '~/core/thermal/dose';
import { runField, type FieldRun } from '~/core/thermal/field/run';
import { doseCurve } from '~/core/thermal/history';
import { simulateJoint, type JointRun, type Probe } from '~/core/thermal/joint/simulate';
import { airFrom_s, airScenario } from './air/airScenario';
import { scenarioFor } from './hand/holeTouch';
import { landTouch } from './hand/landTouch';
import { livesAt, livesOf, type Lives } from './limits/forecast';
import { asMeasured, shareMeasured, type LandCurves, type MeasuredLand } from './measuredHeat';
import { MODEL_VERSION } from './plan/plan';
import { verifying, type Progress } from './progress';
import type { AirSetting, HandSetting, PhaseRequest, Setting } from './request';
import { strokeLength_m } from './steps/sides';
import { methodOf } from './ways';
import type { MethodId } from './ways/method';

export type Exposure = Extract<RunEventBody, { kind: 'exposure' }>;

/** Another pad of the board that may have had a share of a heating. */
export interface PadNear {
  readonly padId: string;
  readonly ref: string;
  readonly pad: string;
  /** The probe that stands for it under an iron; null where it lies too far from one. */
  readonly probe: number | null;
}

/** All that the cost of one heating is computed from: what was really done, on the board as it is. Plain data. */
export interface HeatGiven {
  readonly request: PhaseRequest;
  readonly method: MethodId;
  readonly setting: Setting;
  /** The pad that was heated, or `TOGETHER`. */
  readonly pad: string;
  readonly off_s: number;
  /** Pads that the step draws its tip over; none where it stands still. */
  readonly stroke: readonly string[];
  readonly near: readonly PadNear[];
  readonly probes: readonly Probe[];
  /** What a thermocouple on the land read of it, where one did. */
  readonly measured?: (MeasuredLand & { readonly by: Exposure['measured'] }) | undefined;
}

/** No touch is shorter than a hand can make it. */
const SHORTEST_TOUCH_s = 0.05;
/**
 * Pads that stayed cooler than this, and spent less, took no part. One touch of an iron warms the pad beside it
 * to 30 or 40 °C and costs it next to nothing; preheat and long dwells on thick copper cost it more.
 */
const LEAST_PEAK_C = 30;
const LEAST_DOSE = 1e-6;
const MOST_OTHERS = 1000;

/** The heat that each pad and the laminate took, for the time it really lasted, and the share of the pads about it. */
export function* heatCost(given: HeatGiven): Generator<Progress, Exposure[]> {
  const { request, setting } = given;
  if (setting.kind === 'air') return yield* underAir(given, setting);
  if (!isSurface(request.site.part)) return [atHole(given, setting)];
  return given.stroke.length > 0 ? underStroke(given, setting) : onLands(given, setting);
}

function atHole(given: HeatGiven, setting: HandSetting): Exposure {
  const { request, method, pad, off_s, probes } = given;
  const scenario = scenarioFor(request, setting, pad, { stub: method === 'cut-then-pins' });
  const run = simulateJoint(scenario, { duration_s: Math.max(off_s, SHORTEST_TOUCH_s), probes });
  return { pad, duration_s: off_s, ...costOf(livesOf(scenario), run, given), others: sharesOf(given, run) };
}

/** What a heating costs its land and the laminate under it: by its measured curve where there is one to be believed. */
function costOf(
  lives: Lives,
  run: LandCurves,
  { measured, setting }: Pick<HeatGiven, 'measured' | 'setting'>,
): Omit<Exposure, 'pad' | 'duration_s'> {
  const seen = measured ? asMeasured(run, measured, sourceOf_K(setting)) : null;
  const { time_s, land_K, laminate_K } = seen ?? run;
  return {
    kind: 'exposure',
    padDose: doseCurve(lives.pad, time_s, land_K).at(-1)!,
    laminateDose: doseCurve(lives.laminate, time_s, laminate_K).at(-1)!,
    peak_C: celsius(hottest(land_K)),
    modelVersion: MODEL_VERSION,
    ...(seen && { measured: measured?.by }),
  };
}

/** What the pads about an iron took: the board's own temperature under each, spent on its land's bond. */
export function sharesOf(
  { near, request }: Pick<HeatGiven, 'near' | 'request'>,
  run: JointRun,
): NonNullable<Exposure['others']> {
  const bond = bondEndurance(request.board.laminate);
  return near.flatMap(({ padId, probe }) => {
    if (probe === null) return [];
    const row_K = run.probes_K[probe]!;
    const padDose = doseCurve(bond, run.time_s, row_K).at(-1)!;
    const peak_C = celsius(hottest(row_K));
    return padDose < LEAST_DOSE && peak_C < LEAST_PEAK_C ? [] : [{ padId, padDose, peak_C }];
  });
}

/** Lands under a hand tool: one, or all that it stood on. */
function onLands(given: HeatGiven, setting: HandSetting): Exposure[] {
  const { request, method, pad, off_s } = given;
  const { heat } = methodOf(method);
  const touch =
    pad === TOGETHER && heat.kind === 'hand'
      ? heat.touchesOf(request, setting)[0]!
      : landTouch(request, setting, [pad], 'one');
  const cost = touched(touch, Math.max(off_s, SHORTEST_TOUCH_s), given);
  return touch.pads.map((name) => ({ ...cost, pad: name, duration_s: off_s }));
}

/** A tip drawn along a row: each land has it for as long as it takes to pass. */
function underStroke({ request, off_s, stroke }: HeatGiven, setting: HandSetting): Exposure[] {
  const length_m = strokeLength_m(request.site.part, stroke);
  const passing = Math.min(1, setting.tip.width_m / length_m);
  const duration_s = Math.max(off_s * passing, SHORTEST_TOUCH_s);
  return stroke.map((pad) => ({
    // No thermocouple goes along under a tip that is drawn.
    ...touched(landTouch(request, setting, [pad], 'one'), duration_s, { setting }),
    pad,
    duration_s,
  }));
}

/** What one touch of surface lands costs each of them. */
const touched = (
  touch: ReturnType<typeof landTouch>,
  duration_s: number,
  given: Pick<HeatGiven, 'measured' | 'setting'>,
): Omit<Exposure, 'pad' | 'duration_s'> => ({
  ...costOf(livesAt(touch.laminate, touch.land_m2), alone(touch.prepare({ duration_s })), given),
  others: [],
});

/** The whole board under air for as long as it really was, soak included: every pad that took part. */
function* underAir(
  { request, off_s, near, measured }: HeatGiven,
  setting: AirSetting,
): Generator<Progress, Exposure[]> {
  const scenario = airScenario(request, setting, Math.max(off_s, 1), [{ duration_s: 120, preheat_K: null }]);
  const run = yield* relayed(runField(scenario), verifying);
  const others = near.flatMap(({ padId, ref, pad }) => {
    if (ref === request.site.ref) return [];
    const found = run.pads.find((p) => p.ref === ref && p.pad === pad);
    if (!found || (found.dose < LEAST_DOSE && celsius(found.peak_K) < LEAST_PEAK_C)) return [];
    return [{ padId, padDose: found.dose, peak_C: celsius(found.peak_K) }];
  });
  const names = padNamesOf(request.site.part);
  const own = run.pads.filter((pad) => pad.ref === request.site.ref && names.includes(pad.pad));
  const seen = measured ? airAsMeasured(request, setting, run, own, off_s, measured) : null;
  return own.map((pad, i) => ({
    kind: 'exposure',
    pad: pad.pad,
    duration_s: off_s + airFrom_s(setting),
    padDose: pad.dose * (seen?.[i]!.dose ?? 1),
    // The laminate under the part went as its lands did.
    laminateDose: run.board.laminateDose * (seen ? Math.max(...seen.map(({ dose }) => dose)) : 1),
    peak_C: celsius(pad.peak_K + (seen?.[i]!.hotter_K ?? 0)),
    modelVersion: MODEL_VERSION,
    ...(seen && { measured: measured?.by }),
    // The others' share stands once, with the first of the site's own.
    others: i === 0 ? others.slice(0, MOST_OTHERS) : [],
  }));
}

/**
 * By how much each land's share of its budget and its peak are other than the model's, where one of them was measured: all
 * under one nozzle went as it did. Null where the readings are not of a land.
 */
function airAsMeasured(
  { board }: PhaseRequest,
  setting: AirSetting,
  { time_s }: FieldRun,
  own: FieldRun['pads'],
  off_s: number,
  measured: MeasuredLand,
): readonly { readonly dose: number; readonly hotter_K: number }[] | null {
  const until_s = airFrom_s(setting) + off_s;
  const rows = Math.max(2, time_s.findLastIndex((t) => t <= until_s) + 1);
  const under_s = time_s.slice(0, rows);
  const mean_K = under_s.map((_, i) => own.reduce((sum, pad) => sum + pad.history_K[i]!, 0) / own.length);
  const share = shareMeasured(under_s, mean_K, measured, sourceOf_K(setting), airFrom_s(setting));
  if (!share) return null;
  const bond = bondEndurance(board.laminate);
  return own.map(({ history_K }) => {
    const start_K = history_K[0]!;
    // Cooling goes on from where the heat left it, in the share it had then.
    const seen_K = history_K.map((t, i) => start_K + (t - start_K) * share[Math.min(i, rows - 1)]!);
    const spent = (row_K: Float64Array): number => doseCurve(bond, time_s, row_K).at(-1)!;
    return { dose: spent(seen_K) / spent(history_K), hotter_K: hottest(seen_K) - hottest(history_K) };
  });
}

/** The hottest that anything under a tool can come to. */
const sourceOf_K = (setting: Setting): number =>
  setting.kind === 'air'
    ? setting.air_K
    : Math.max(setting.setpoint_K, ...Object.values(setting.perPad_K ?? {}));

const hottest = (row: Float64Array): number => row.reduce((a, b) => Math.max(a, b), 0);
