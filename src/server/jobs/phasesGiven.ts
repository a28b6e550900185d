import type { HalfGiven } from '~/core/method/halfGiven';
import { phasesOf, type Phase } from '~/core/method/goals';
import { phaseRequest } from '~/core/method/plan/phases/phasePlan';
import type { JobRecord } from '~/schema/records/jobs/job';
import { jobRequestOf } from '~/schema/records/jobs/jobRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { InputError } from '~/schema/values/faults';
import { heatBoardOf } from '~/server/boards/heatBoard';
import type { Db } from '~/server/store/db';
import { benchSetting } from './benchSetting';

/**
 * What each phase of a job was planned with, as the model is asked; none where it was planned by one that is not read any
 * more, or with a tool that is gone.
 */
export function phasesGiven(db: Db, job: JobRecord): (readonly [Phase, HalfGiven])[] {
  const request = jobRequestOf(job.request);
  if (!request) return [];
  try {
    const board = { ...heatBoardOf(db, job.boardId), ...request.input.board };
    const planned = planRequestOf({ ...request.input, board });
    return phasesOf(planned.goal).flatMap((phase) => {
      const choice = request.choices.find((c) => c.phase === phase);
      if (!choice) return [];
      const asked = phaseRequest(planned, phase, []);
      return [
        [phase, { request: asked, method: choice.method, setting: benchSetting(asked, choice.setting) }],
      ];
    });
  } catch (error) {
    if (error instanceof InputError) return [];
    throw error;
  }
}
