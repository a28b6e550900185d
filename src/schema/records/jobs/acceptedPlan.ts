import { jobTimes, spreadOfJob } from '~/core/method/pace';
import type { FoundAnswer } from '~/schema/exchange/plan/planAnswer';
import { phasesIn } from '~/schema/exchange/plan/phasesIn';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import { JOB_PLAN_VERSION, jobPlan, type JobPlan } from './jobPlan';

/** A planner's answer as a job keeps it, with its steps as they were changed by hand. */
export const acceptedPlan = (
  answer: FoundAnswer,
  steps: FoundAnswer['steps'],
  { ref, side, package: part }: PlanInput['site'],
): JobPlan =>
  jobPlan.parse({
    version: JOB_PLAN_VERSION,
    modelVersion: answer.modelVersion,
    site: { ref, side, family: part.family },
    phases: phasesIn(answer),
    consumption: answer.consumption,
    uses: answer.uses,
    cautions: answer.cautions,
    times: answer.times && timesOf(answer.times, steps),
    steps,
  });

/** How long the steps, as they are, were foretold to take. */
function timesOf({ pace, ...ways }: NonNullable<FoundAnswer['times']>, steps: FoundAnswer['steps']) {
  const times = jobTimes(steps, ways, pace);
  const { figures_s, heat_s, clocks_s } = times;
  return { figures_s, heat_s, clocks_s, work_s: spreadOfJob(times, 'work') };
}
