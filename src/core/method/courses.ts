import { formOf } from '~/core/packages/form';
import { percentile } from '~/core/statistics/percentile';
import { relayed } from '~/core/stepwise';
import { fieldDraws } from '~/core/thermal/field/bands';
import { runField, type FieldRun } from '~/core/thermal/field/run';
import { valueAt } from '~/core/thermal/history';
import { jointDraws } from '~/core/thermal/joint/draws';
import { sideBySide } from '~/core/thermal/network/prepared';
import { airFrom_s, airScenario } from './air/airScenario';
import { longestAir_s } from './air/airJudge';
import type { Course, PlacesAhead } from './ahead';
import { bodyCounts } from './goals';
import type { HandHeat } from './hand/handTrial';
import type { Touch } from './hand/touch';
import type { AirSetting, HandSetting, PhaseRequest } from './request';
import { PLAN } from './settings';
import { methodOf } from './ways';
import type { HalfGiven } from './halfGiven';
import { TOGETHER } from '~/core/record/runState';

/** What thermocouples are expected to read from heat on, by touch, and what its part may not pass. */
export interface Courses {
  readonly step_s: number;
  readonly touches: readonly ({ readonly touches: readonly string[] } & PlacesAhead)[];
  /** Of the part's body, K; null where the part is given up. */
  readonly bodyLimit_K: number | null;
}

/** A tenth either way of so many draws is seen; a whole board under air takes longer to draw. */
const DRAWS = { hand: 24, air: 8 } as const;
const STEP_s = { hand: 0.1, air: 1 } as const;

/** More touches that are unlike each other are not drawn: a run warns of those that come first. */
const MOST_UNLIKE = 16;

/** Land and body over the time of a heating, at their tenths and middle over the plan's own draws. Pauses between draws. */
export function* heatCourses({ request, method, setting }: HalfGiven): Generator<null, Courses> {
  const { site, board } = request;
  const limit_K = formOf(site.part, site.alloy, board.thickness_m).body.touchLimit_K;
  const bodyLimit_K = bodyCounts(request.goal, request.phase) && Number.isFinite(limit_K) ? limit_K : null;
  if (setting.kind === 'air')
    return { step_s: STEP_s.air, bodyLimit_K, touches: [yield* underAir(request, setting)] };
  const { heat } = methodOf(method);
  if (heat.kind === 'air') throw new Error(`${method} takes no tool in the hand`);
  return { step_s: STEP_s.hand, bodyLimit_K, touches: yield* byHand(request, heat, setting) };
}

function* byHand(
  request: PhaseRequest,
  heat: HandHeat,
  setting: HandSetting,
): Generator<null, Courses['touches']> {
  const touches = heat.touchesOf(request, setting);
  const unlike = [...new Map(touches.map((touch) => [touch.likeness, touch])).values()];
  const out = [];
  for (const touch of unlike.slice(0, MOST_UNLIKE)) {
    const names = touches.filter((t) => t.likeness === touch.likeness).map((t) => t.name);
    out.push({ touches: names, ...(yield* ofTouch(touch, request.seed)) });
  }
  return out;
}

function* ofTouch(touch: Touch, seed: number): Generator<null, PlacesAhead> {
  const asked = { duration_s: touch.longest_s, tolerance_K: PLAN.tolerance_K };
  const draws = jointDraws(touch, DRAWS.hand, seed);
  const runs = yield* sideBySide(
    draws.map(
      ({ factors }) =>
        () =>
          touch.prepare({ ...asked, factors }),
    ),
  );
  const from = (of: 'land_K' | 'body_K'): Course =>
    courseOf(
      runs.map((run) => (at_s: number) => valueAt(run.time_s, run[of], at_s)),
      STEP_s.hand,
      touch.longest_s,
    );
  return { land: from('land_K'), body: from('body_K') };
}

function* underAir(request: PhaseRequest, setting: AirSetting): Generator<null, Courses['touches'][number]> {
  const longest_s = longestAir_s(request);
  const scenario = airScenario(request, setting, longest_s);
  const from_s = airFrom_s(setting);
  const runs: FieldRun[] = [];
  for (const factors of fieldDraws(scenario, DRAWS.air, request.seed)) {
    runs.push(yield* relayed(runField(scenario, { factors }), () => null));
  }
  const own = runs.map((run) => run.pads.filter((pad) => pad.ref === request.site.ref));
  const lands = runs.map(
    (run, i) => (at_s: number) =>
      own[i]!.reduce((sum, pad) => sum + valueAt(run.time_s, pad.history_K, at_s + from_s), 0) /
      own[i]!.length,
  );
  const bodies = runs.map(
    (run) => (at_s: number) => valueAt(run.time_s, run.bodies[0]!.history_K, at_s + from_s),
  );
  return {
    touches: [TOGETHER],
    land: courseOf(lands, STEP_s.air, longest_s),
    body: courseOf(bodies, STEP_s.air, longest_s),
  };
}

/** Tenths and middle of some runs at even times, K. */
function courseOf(runs: readonly ((at_s: number) => number)[], step_s: number, longest_s: number): Course {
  const times_s = Array.from({ length: Math.floor(longest_s / step_s) + 1 }, (_, i) => i * step_s);
  const sorted = times_s.map((at_s) => runs.map((run) => run(at_s)).sort((a, b) => a - b));
  const at = (share: number): number[] => sorted.map((values) => percentile(values, share));
  return { p10_K: at(0.1), p50_K: at(0.5), p90_K: at(0.9) };
}
