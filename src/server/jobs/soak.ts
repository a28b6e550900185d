import type { Setting } from '~/core/method/request';
import { runState, type Dwell, type RunState } from '~/core/record/runState';
import type { JobRecord } from '~/schema/records/jobs/job';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { Db } from '~/server/store/db';
import { jobsOfBoard } from '~/server/store/repositories/jobs';

/** Longer than this a board has long settled. */
const MOST_SOAK_s = 1800;

/** The setting with its board warmed for as long as it really was: from the soak's first second until heat came on. */
export function asSoaked(setting: Setting, began_ms: number | null, { on_ms }: Dwell): Setting {
  if (!setting.preheat || began_ms === null) return setting;
  const soak_s = Math.min(MOST_SOAK_s, Math.max(0, (on_ms - began_ms) / 1000));
  return { ...setting, preheat: { ...setting.preheat, soak_s } };
}

/**
 * When the soak before a heating began: the job's own, or, for a part of a whole board's job that found its area warm,
 * that of an earlier part. Null where the record has none: it was as planned.
 */
export function soakBegan_ms(db: Db, job: JobRecord, state: RunState, { stepId }: Dwell): number | null {
  const { steps } = job.plan;
  const own = lastSoak_ms(
    steps.slice(
      0,
      steps.findIndex((s) => s.id === stepId),
    ),
    state,
  );
  if (own !== null || job.recapId === null) return own;
  const earlier = jobsOfBoard(db, job.boardId).filter(
    (other) => other.job.recapId === job.recapId && other.job.acceptedAt_ms < job.acceptedAt_ms,
  );
  const began = earlier.map(({ job: { plan }, events }) =>
    lastSoak_ms(plan.steps, runState(plan.steps, events)),
  );
  return began.find((began_ms) => began_ms !== null) ?? null;
}

function lastSoak_ms(steps: readonly JobStep[], { done }: RunState): number | null {
  const soak = steps.findLast((s) => s.kind === 'wait' && /(^|-)preheat$/.test(s.id));
  return (soak && done.get(soak.id)?.from_ms) ?? null;
}
