import { phaseRequest } from '~/core/method/plan/phases/phasePlan';
import { heatCost, type HeatGiven } from '~/core/method/heatCost';
import type { RunEventBody } from '~/core/record/runEvents';
import type { Dwell, RunState } from '~/core/record/runState';
import { inOneGo } from '~/core/stepwise';
import type { JobRecord } from '~/schema/records/jobs/job';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { jobRequestOf } from '~/schema/records/jobs/jobRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';
import { heatBoardOf } from '~/server/boards/heatBoard';
import type { Db } from '~/server/store/db';
import { benchSetting } from './benchSetting';
import { padsAbout } from './sharedHeat';
import { measuredOf } from './measuredLand';
import { asSoaked, soakBegan_ms } from './soak';

/** What the cost of a heating that ended is computed from; null where the job was planned by a model that is not read any more. */
export function heatGivenOf(db: Db, job: JobRecord, state: RunState, dwell: Dwell): HeatGiven | null {
  if (dwell.off_s === null) return null;
  const asked = jobRequestOf(job.request);
  if (!asked) return null;
  const step = job.plan.steps.find((s) => s.id === dwell.stepId);
  const choice = choiceOf(asked.choices, step?.phase);
  // The board with its imported copper and edge, which the job does not keep.
  const board = { ...heatBoardOf(db, job.boardId), ...asked.input.board };
  const request = phaseRequest(planRequestOf({ ...asked.input, board }), choice.phase, []);
  const setting = asSoaked(benchSetting(request, choice.setting), soakBegan_ms(db, job, state, dwell), dwell);
  return {
    request,
    method: choice.method,
    setting,
    pad: dwell.pad,
    off_s: dwell.off_s,
    stroke: step?.stroke ?? [],
    measured: measuredOf(db, job.id, dwell),
    ...padsAbout(db, { ...job, side: job.plan.site.side }, dwell.pad),
  };
}

/** The choice that a heating's step belongs to. */
const choiceOf = (choices: readonly ChoiceInput[], phase: JobStep['phase'] | undefined): ChoiceInput =>
  choices.find((c) => c.phase === phase) ?? choices[0]!;

/** The cost of a heating at once, for whoever has the time to wait for it. */
export const exposureFor =
  (db: Db) =>
  (job: JobRecord, state: RunState, dwell: Dwell): RunEventBody[] => {
    const given = heatGivenOf(db, job, state, dwell);
    return given ? inOneGo(heatCost(given)).map((cost) => ({ ...cost, ofSeq: dwell.onSeq })) : [];
  };
