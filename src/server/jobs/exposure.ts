import { alone } from '~/core/thermal/network/prepared';
import { isSurface, padNamesOf } from '~/core/packages/form';
import { airScenario, airFrom_s } from '~/core/method/air/airScenario';
import { livesAt, livesOf } from '~/core/method/limits/forecast';
import { scenarioFor } from '~/core/method/hand/holeTouch';
import { landTouch } from '~/core/method/hand/landTouch';
import { strokeLength_m } from '~/core/method/steps/sides';
import { methodOf } from '~/core/method/ways';
import type { MethodId } from '~/core/method/ways/method';
import { phaseRequest } from '~/core/method/plan/phases/phasePlan';
import { MODEL_VERSION } from '~/core/method/plan/plan';
import type { AirSetting, HandSetting, PhaseRequest } from '~/core/method/request';
import { celsius } from '~/core/quantity/convert';
import type { RunEventBody } from '~/core/record/runEvents';
import { TOGETHER, type Dwell, type RunState } from '~/core/record/runState';
import { simulateField } from '~/core/thermal/field/run';
import { doseCurve } from '~/core/thermal/history';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import type { JobRecord } from '~/schema/records/jobs/job';
import { jobRequestOf } from '~/schema/records/jobs/jobRequest';
import { placedPadsOf } from '~/schema/exchange/si/placedPads';
import { planRequestOf } from '~/schema/exchange/si/plan';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';
import { heatBoardOf } from '~/server/boards/heatBoard';
import { benchSetting } from './acceptance';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { sitesOf } from '~/server/store/repositories/sites';
import { asSoaked, soakBegan_ms } from './soak';
import { LEAST_DOSE, LEAST_PEAK_C, padsAbout, sharesOf } from './sharedHeat';

type Exposure = Extract<RunEventBody, { kind: 'exposure' }>;

/** No touch is shorter than a hand can make it. */
const SHORTEST_TOUCH_s = 0.05;

/**
 * What the server adds to a heating's end: the heat that each pad and the laminate took, for the time it really
 * lasted, and the share of the pads about it.
 */
export const exposureFor =
  (db: Db) =>
  (job: JobRecord, state: RunState, dwell: Dwell): RunEventBody[] => {
    if (dwell.off_s === null) return [];
    const asked = jobRequestOf(job.request);
    if (!asked) return [];
    const choice = choiceOf(job, asked.choices, dwell);
    // The board with its imported copper and edge, which the job does not keep.
    const board = { ...heatBoardOf(db, job.boardId), ...asked.input.board };
    const request = phaseRequest(planRequestOf({ ...asked.input, board }), choice.phase, []);
    const setting = asSoaked(
      benchSetting(request, choice.setting),
      soakBegan_ms(db, job, state, dwell),
      dwell,
    );
    const costs =
      setting.kind === 'air'
        ? underAir(db, job, request, setting, dwell.off_s)
        : isSurface(request.site.part)
          ? onLands(request, choice.method, setting, dwell, strokeOf(job, dwell))
          : [atHole(db, job, request, choice.method, setting, dwell)];
    return costs.map((cost) => ({ ...cost, ofSeq: dwell.onSeq }));
  };

/** The choice that a heating's step belongs to. */
function choiceOf(job: JobRecord, choices: readonly ChoiceInput[], dwell: Dwell): ChoiceInput {
  const step = job.plan.steps.find((s) => s.id === dwell.stepId);
  return choices.find((c) => c.phase === step?.phase) ?? choices[0]!;
}

function atHole(
  db: Db,
  job: JobRecord,
  request: PhaseRequest,
  method: MethodId,
  setting: HandSetting,
  { pad, off_s }: Dwell,
): Exposure {
  const scenario = scenarioFor(request, setting, pad, { stub: method === 'cut-then-pins' });
  const about = padsAbout(db, { ...job, side: job.plan.site.side }, pad);
  const duration_s = Math.max(off_s!, SHORTEST_TOUCH_s);
  const run = simulateJoint(scenario, { duration_s, probes: about.probes });
  const lives = livesOf(scenario);
  return {
    kind: 'exposure',
    pad,
    duration_s: off_s!,
    padDose: doseCurve(lives.pad, run.time_s, run.land_K).at(-1)!,
    laminateDose: doseCurve(lives.laminate, run.time_s, run.laminate_K).at(-1)!,
    peak_C: celsius(hottest(run.land_K)),
    modelVersion: MODEL_VERSION,
    others: sharesOf(about, scenario.board.laminate, run),
  };
}

/** Lands under a hand tool: one, or all that it stood on or was drawn over. */
function onLands(
  request: PhaseRequest,
  method: MethodId,
  setting: HandSetting,
  dwell: Dwell,
  stroke: readonly string[],
): Exposure[] {
  if (stroke.length > 0) return underStroke(request, setting, dwell, stroke);
  const { heat } = methodOf(method);
  const touch =
    dwell.pad === TOGETHER && heat.kind === 'hand'
      ? heat.touchesOf(request, setting)[0]!
      : landTouch(request, setting, [dwell.pad], 'one');
  const duration_s = Math.max(dwell.off_s!, SHORTEST_TOUCH_s);
  const run = alone(touch.prepare({ duration_s }));
  const lives = livesAt(touch.laminate, touch.land_m2);
  const padDose = doseCurve(lives.pad, run.time_s, run.land_K).at(-1)!;
  const laminateDose = doseCurve(lives.laminate, run.time_s, run.laminate_K).at(-1)!;
  return touch.pads.map((pad) => ({
    kind: 'exposure',
    pad,
    duration_s: dwell.off_s!,
    padDose,
    laminateDose,
    peak_C: celsius(hottest(run.land_K)),
    modelVersion: MODEL_VERSION,
    others: [],
  }));
}

/** Pads that the step of a heating draws its tip over; none where it stands still. */
const strokeOf = (job: JobRecord, { stepId }: Dwell): readonly string[] =>
  job.plan.steps.find((s) => s.id === stepId)?.stroke ?? [];

/** A tip drawn along a row: each land has it for as long as it takes to pass. */
function underStroke(
  request: PhaseRequest,
  setting: HandSetting,
  { off_s }: Dwell,
  pads: readonly string[],
): Exposure[] {
  const length_m = strokeLength_m(request.site.part, pads);
  const passing = Math.min(1, setting.tip.width_m / length_m);
  const duration_s = Math.max(off_s! * passing, SHORTEST_TOUCH_s);
  return pads.map((pad) => {
    const touch = landTouch(request, setting, [pad], 'one');
    const run = alone(touch.prepare({ duration_s }));
    const lives = livesAt(touch.laminate, touch.land_m2);
    return {
      kind: 'exposure',
      pad,
      duration_s,
      padDose: doseCurve(lives.pad, run.time_s, run.land_K).at(-1)!,
      laminateDose: doseCurve(lives.laminate, run.time_s, run.laminate_K).at(-1)!,
      peak_C: celsius(hottest(run.land_K)),
      modelVersion: MODEL_VERSION,
      others: [],
    };
  });
}

/** The whole board under air for as long as it really was, soak included: every pad that took part. */
function underAir(
  db: Db,
  job: JobRecord,
  request: PhaseRequest,
  setting: AirSetting,
  off_s: number,
): Exposure[] {
  const run = simulateField(
    airScenario(request, setting, Math.max(off_s, 1), [{ duration_s: 120, preheat_K: null }]),
  );
  const { construction } = getBoard(db, job.boardId);
  const sites = sitesOf(db, job.boardId);
  const refOf = new Map(sites.map((site) => [site.id, site.ref]));
  const others = placedPadsOf(sites, construction.copperLayers.length).flatMap((pad) => {
    if (pad.siteId === job.siteId) return [];
    const found = run.pads.find((p) => p.ref === refOf.get(pad.siteId) && p.pad === pad.name);
    if (!found || (found.dose < LEAST_DOSE && celsius(found.peak_K) < LEAST_PEAK_C)) return [];
    return [{ padId: pad.id, padDose: found.dose, peak_C: celsius(found.peak_K) }];
  });
  const names = padNamesOf(request.site.part);
  const own = run.pads.filter((pad) => pad.ref === request.site.ref && names.includes(pad.pad));
  return own.map((pad, i) => ({
    kind: 'exposure',
    pad: pad.pad,
    duration_s: off_s + airFrom_s(setting),
    padDose: pad.dose,
    laminateDose: run.board.laminateDose,
    peak_C: celsius(pad.peak_K),
    modelVersion: MODEL_VERSION,
    // The others' share stands once, with the first of the site's own.
    others: i === 0 ? others.slice(0, MOST_OTHERS) : [],
  }));
}

const MOST_OTHERS = 1000;

const hottest = (row: Float64Array): number => row.reduce((a, b) => Math.max(a, b), 0);
