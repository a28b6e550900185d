import { plannedHeatsOf } from '~/schema/records/jobs/plannedHeats';
import type { ComparedSheet } from '~/schema/sheets/comparedSheet';
import type { RunSheet } from '~/schema/sheets/runSheet';
import type { Db } from '~/server/store/db';
import { logsOfJob, logsOnBoard } from '~/server/store/repositories/thermalLogs';

/** More logs of a board are not offered to be laid beside each other. */
const MOST_OFFERED = 40;

/** What may be laid on one chart: the job's own logs first, then its plan, then what else was logged on its board. */
export function comparedOf(db: Db, { job }: RunSheet): ComparedSheet {
  const own = logsOfJob(db, job.id);
  const others = logsOnBoard(db, job.boardId, MOST_OFFERED).filter((log) => log.jobId !== job.id);
  const logs = [...own, ...others].map(({ jobId, id, profile, at_ms }) => ({
    jobId,
    id,
    title: profile.title || 'Log',
    at_ms,
  }));
  const plans = plannedHeatsOf(job.plan).flatMap(({ stepId, pad }) => {
    const phase = job.plan.steps.find((step) => step.id === stepId)?.phase;
    return phase ? [{ phase, pad, words: `Planned, ${pad === 'all' ? 'all pads' : `pin ${pad}`}` }] : [];
  });
  return { logs, plans };
}
