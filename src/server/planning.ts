import { createHash } from 'node:crypto';
import { exposuresOf, spentByPad } from '../core/record/heatLife';
import { spentDoses, type RunState } from '../core/record/runState';
import type { RunEventBody } from '../core/record/runEvents';
import { doseCurve, livesOf } from '../core/method/forecast';
import { explore, MODEL_VERSION } from '../core/method/plan';
import { scenarioFor, type Goal, type PlanRequest, type Setting } from '../core/method/request';
import { celsius } from '../core/quantity/convert';
import { simulateJoint } from '../core/thermal/joint/simulate';
import { InputError } from '../schema/faults';
import type { AcceptPlan, JobRecord } from '../schema/job';
import { foundAnswerOf } from '../schema/planAnswer';
import {
  planInput,
  planRequestOf,
  settingOf,
  type PlanInput,
  type SettingInput,
} from '../schema/planRequest';
import type { Db } from './db';
import { Conflict } from './errors';
import { newId } from './ids';
import { getBoard } from './repositories/boards';
import { addJob, jobsOfBoard, siteHistory, type JobWithEvents } from './repositories/jobs';
import { getSite, sitesOf, type SiteWithPads } from './repositories/sites';
import { padsAbout, sharesOf } from './sharing';
import { listTools } from './repositories/tools';

export interface SitePlanning {
  readonly input: PlanInput;
  /** Fingerprint of all that the record brings to a plan; the goal is the technician's. */
  readonly inputsKey: string;
}

/** Gathers what the record knows into a plan request: board, site, neighbours, bench, doses spent. */
export function planningFor(db: Db, siteId: string, goal: Goal): SitePlanning {
  const site = getSite(db, siteId);
  const board = getBoard(db, site.boardId);
  const spent = spentOn(db, site);
  const input = planInput.parse({
    board: board.construction,
    hazards: board.hazards,
    site: {
      ref: site.ref,
      side: site.side,
      x_mm: site.x_mm,
      y_mm: site.y_mm,
      rotation_deg: site.rotation_deg,
      alloy: site.alloy,
      package: site.package,
      connections: Object.fromEntries(site.pads.map((pad) => [pad.name, pad.connections])),
    },
    neighbours: sitesOf(db, board.id)
      .filter((other) => other.id !== site.id)
      .map((other) => ({
        ref: other.ref,
        x_mm: other.x_mm,
        y_mm: other.y_mm,
        side: other.side,
        alloy: other.alloy,
      })),
    goal,
    // The iron's plan; hot air has a sheet of its own.
    bench: listTools(db).flatMap((tool) =>
      tool.spec.kind === 'hot-air' ? [] : [{ ...tool.spec, id: tool.id, name: tool.name }],
    ),
    history: spent,
  });
  const { goal: _goal, ...fromRecord } = input;
  return {
    input,
    inputsKey: createHash('sha256').update(JSON.stringify(fromRecord)).digest('base64url').slice(0, 32),
  };
}

/** Doses that a site's pads took from their own jobs, and their share of every other job on the board. */
function spentOn(db: Db, site: SiteWithPads): ReturnType<typeof spentDoses> {
  const { laminateDose } = spentDoses(siteHistory(db, site.id));
  const jobs = jobsOfBoard(db, site.boardId).map(({ job, events }) => ({ siteId: job.siteId, events }));
  const byPad = spentByPad(exposuresOf(jobs, [site]));
  return {
    padDose: Object.fromEntries(
      site.pads.flatMap(({ id, name }) => (byPad.has(id) ? [[name, byPad.get(id)!] as const] : [])),
    ),
    laminateDose,
  };
}

/**
 * Accepts a plan: solves the chosen setting again from the record, lets other requests in between
 * batches, and writes the job with its inputs, its plan and its opening entry.
 */
export async function acceptJob(
  db: Db,
  accepted: AcceptPlan,
  now_ms: () => number,
  id = newId('job'),
): Promise<JobWithEvents> {
  const { input, inputsKey } = planningFor(db, accepted.siteId, accepted.goal);
  if (inputsKey !== accepted.inputsKey) throw stalePlan();
  const request = planRequestOf(input);
  const setting = benchSetting(request, accepted.setting);
  const solving = explore(request, setting);
  let next = solving.next();
  while (!next.done) {
    await new Promise(setImmediate);
    next = solving.next();
  }
  if (planningFor(db, accepted.siteId, accepted.goal).inputsKey !== inputsKey) throw stalePlan();
  const { boardId } = getSite(db, accepted.siteId);
  return addJob(
    db,
    {
      id,
      boardId,
      siteId: accepted.siteId,
      goal: accepted.goal,
      by: accepted.by,
      status: 'running',
      input,
      setting: accepted.setting,
      plan: foundAnswerOf(next.value),
      modelVersion: MODEL_VERSION,
      outcome: null,
      cause: '',
      acceptedAt_ms: now_ms(),
      closedAt_ms: null,
    },
    accepted.by,
  );
}

const stalePlan = (): Conflict =>
  new Conflict('the board, its history or the bench changed since this plan was made; reload and plan again');

/** The technician's setting on this bench, or what is wrong with it. */
export function benchSetting(request: PlanRequest, input: SettingInput): Setting {
  const setting = settingOf(request, input);
  if (!setting)
    throw new InputError([
      { path: '$.setting.ironId', message: `"${input.ironId}" is not on the bench; choose one that is` },
    ]);
  const [low, high] = setting.iron.setpointRange_K.map(celsius) as [number, number];
  if (input.setpoint_C < low - 0.01 || input.setpoint_C > high + 0.01) {
    throw new InputError([
      {
        path: '$.setting.setpoint_C',
        message: `is ${input.setpoint_C} °C, outside what ${setting.iron.name} reaches; give ${low.toFixed(0)} to ${high.toFixed(0)} °C`,
      },
    ]);
  }
  return setting;
}

/**
 * What the server adds to a dwell's end: the heat that pad and laminate took, for the time it really lasted,
 * and the share of the pads about it.
 */
export const exposureFor =
  (db: Db) =>
  (job: JobRecord, state: RunState): RunEventBody[] => {
    const dwell = state.dwells.at(-1);
    if (!dwell || dwell.off_s === null || dwell.exposure) return [];
    const request = planRequestOf(job.input);
    const scenario = scenarioFor(request, benchSetting(request, job.setting), dwell.pad);
    const about = padsAbout(db, job, dwell.pad);
    const run = simulateJoint(scenario, { duration_s: Math.max(dwell.off_s, 0.05), probes: about.probes });
    const lives = livesOf(scenario);
    return [
      {
        kind: 'exposure',
        pad: dwell.pad,
        duration_s: dwell.off_s,
        padDose: doseCurve(lives.pad, run.time_s, run.land_K).at(-1)!,
        laminateDose: doseCurve(lives.laminate, run.time_s, run.laminate_K).at(-1)!,
        peak_C: celsius(run.land_K.reduce((a, b) => Math.max(a, b), 0)),
        modelVersion: MODEL_VERSION,
        others: sharesOf(about, scenario.board.laminate, run),
      },
    ];
  };
