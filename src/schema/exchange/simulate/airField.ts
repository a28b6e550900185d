import { airLimits } from '~/core/method/air/airJudge';
import { airFrom_s, airScenario } from '~/core/method/air/airScenario';
import { liftWindow, type LiftWindow } from '~/core/method/air/liftWindow';
import { phaseRequest } from '~/core/method/plan/phases/phasePlan';
import type { PhaseRequest } from '~/core/method/request';
import { padNamesOf } from '~/core/packages/form';
import { celsius } from '~/core/quantity/convert';
import { runField, type FieldProgress } from '~/core/thermal/field/run';
import type { FieldScenario } from '~/core/thermal/field/scenario';
import type { AirSettingInput, PlanInput } from '../plan/planRequest';
import { planRequestOf, settingOf } from '../si/plan';
import { fieldAnswer } from './fieldAnswer';
import type { SimulateAnswer } from './simulateAnswer';

/** What the hot-air page asks: a site as a plan takes it, a setting as a plan has it, and how long the air stays on. */
export interface AirFieldAsk {
  readonly input: PlanInput;
  readonly setting: AirSettingInput;
  readonly airOn_s: number;
}

/** Temperatures of both faces at one time, °C by column, row by row from y = 0. */
interface FieldFrame {
  readonly time_s: number;
  readonly top_C: Float32Array;
  readonly bottom_C: Float32Array;
}

/** What a run answers and what a picture of it needs; times count from the air, so a soak before it is negative. */
export interface FieldPicture {
  readonly answer: SimulateAnswer;
  readonly frames: readonly FieldFrame[];
  readonly nx: number;
  readonly ny: number;
  /** 1 where a column lies on the board. */
  readonly inside: Uint8Array;
  /** Null while some pad stays solid. */
  readonly lift: LiftWindow | null;
}

/** The board cools in the picture for as long as it was under air, up to this, s. */
const LONGEST_COOLING_s = 120;

/** The scenario a plan would solve for this setting, with its station's calibration and the board as imported. */
export function airFieldScenario({ input, setting, airOn_s }: AirFieldAsk): {
  readonly request: PhaseRequest;
  readonly scenario: FieldScenario;
  readonly soak_s: number;
} {
  const request = phaseRequest(planRequestOf(input), 'remove', []);
  const set = settingOf(request, setting);
  if (set?.kind !== 'air') throw new Error(`${setting.toolId} is no hot-air station of this bench`);
  const cooling = [{ duration_s: Math.min(LONGEST_COOLING_s, airOn_s), preheat_K: null }];
  return { request, scenario: airScenario(request, set, airOn_s, cooling), soak_s: airFrom_s(set) };
}

/** Solves it step by step, with `frames` snapshots for a picture. */
export function* solveAirField(ask: AirFieldAsk, frames: number): Generator<FieldProgress, FieldPicture> {
  const { request, scenario, soak_s } = airFieldScenario(ask);
  const run = yield* runField(scenario, { frames });
  const { site, neighbours } = request;
  const limits = airLimits(request, padNamesOf(site.part));
  const lift = liftWindow(run, site, limits.neighbours);
  const inCelsius = (row: Float32Array): Float32Array => row.map(celsius);
  return {
    answer: fieldAnswer(
      { ref: site.ref, moisture: ask.input.site.moisture, neighbours, soak_s },
      scenario,
      run,
    ),
    frames: run.frames.map((frame) => ({
      time_s: frame.time_s - soak_s,
      top_C: inCelsius(frame.top_K),
      bottom_C: inCelsius(frame.bottom_K),
    })),
    nx: run.picture!.nx,
    ny: run.picture!.ny,
    inside: run.picture!.inside,
    lift: lift && {
      ...lift,
      from_s: lift.from_s - soak_s,
      to_s: lift.to_s === null ? null : lift.to_s - soak_s,
    },
  };
}
