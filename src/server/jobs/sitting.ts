import { RECAP } from '~/core/method/recap/data';
import { NOTHING_READY, takenUp, type Ready, type SiteWants } from '~/core/method/recap/readiness';
import { runState } from '~/core/record/runState';
import type { JobPlan } from '~/schema/records/jobs/jobPlan';
import type { JobWithEvents } from '~/server/store/repositories/jobs';

/** A phase as far as the bench has to stand ready for it; a planner's answer and a job's plan both say it so. */
interface PhaseSetting {
  readonly chosen: Pick<
    JobPlan['phases'][number]['chosen'],
    'toolId' | 'tip' | 'nozzle' | 'setpoint_C' | 'perPad_C' | 'preheat' | 'flow_L_min' | 'standoff_mm'
  >;
}

/** Where a site lies and what goes into it. */
export interface SitePlace {
  readonly area: number;
  readonly value: string;
}

/** What a site's plan wants of the bench. */
export function wantsOf(phases: readonly PhaseSetting[], { area, value }: SitePlace): SiteWants {
  const preheat = phases.find((p) => p.chosen.preheat !== null)?.chosen.preheat;
  return {
    area,
    value,
    tools: phases.map(({ chosen }) => {
      const { toolId, tip, nozzle, setpoint_C, perPad_C, flow_L_min, standoff_mm } = chosen;
      return {
        toolId,
        at: JSON.stringify([tip, nozzle, setpoint_C, flow_L_min, standoff_mm]),
        turned: Object.values(perPad_C).some((hot_C) => hot_C !== setpoint_C),
      };
    }),
    warmth: preheat ? `${preheat.kind} ${preheat.setpoint_C}` : null,
  };
}

/**
 * What stands ready after the jobs of a whole board's job, the oldest first. A part that was closed in any other way
 * than by going on to the next ends the sitting, and so does a long pause.
 */
export function readyAfter(
  jobs: readonly JobWithEvents[],
  placeOf: (siteId: string) => SitePlace,
  now_ms: number,
): Ready {
  let ready = NOTHING_READY;
  let left_ms: number | null = null;
  for (const { job, events } of jobs) {
    if (!isSoonAfter(left_ms, job.acceptedAt_ms)) ready = NOTHING_READY;
    ready = takenUp(ready, wantsOf(job.plan.phases, placeOf(job.siteId))).after;
    left_ms = runState(job.plan.steps, events).leftToEnd_ms;
  }
  return isSoonAfter(left_ms, now_ms) ? ready : NOTHING_READY;
}

const isSoonAfter = (left_ms: number | null, at_ms: number): boolean =>
  left_ms !== null && at_ms - left_ms <= RECAP.sitting_s.value * 1e3;
