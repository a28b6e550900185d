import type { PlanAsk } from '~/schema/exchange/plan/planAsk';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { Db } from '~/server/store/db';
import { Conflict } from '~/server/store/errors';
import { phasesGiven } from '~/server/jobs/phasesGiven';
import { getJob } from '~/server/store/repositories/jobs';
import { recapAsks } from './recapSheet';
import { planningFor } from './sitePlanning';

/** What a screen asks for with what the record knows put in. Throws `Conflict` where the record moved on since. */
export function planTaskOf(db: Db, ask: PlanAsk): PlanTask {
  if (ask.kind === 'recap') return { kind: 'recap', asks: recapAsks(db, ask.boardId, ask.siteIds) };
  if (ask.kind === 'gentler') return gentlerTask(db, ask.jobId);
  const { siteId, inputsKey: seen, by, goal, worth, mates, moisture } = ask;
  const { input, inputsKey } = planningFor(db, siteId, { goal, worth, mates, moisture, by: by ?? undefined });
  if (inputsKey !== seen) throw recordMovedOn();
  return ask.kind === 'plan' ? { kind: 'plan', input } : { kind: 'explore', input, choices: ask.choices };
}

/** A closed job's halves as they were planned; none where it can no longer be asked about. Throws `NotFound`. */
function gentlerTask(db: Db, jobId: string): PlanTask {
  const { job } = getJob(db, jobId);
  return { kind: 'gentler', of: jobId, halves: phasesGiven(db, job).map(([, half]) => half) };
}

/** The screen shows a board, a history or a bench that is no longer so. */
export const recordMovedOn = (): Conflict =>
  new Conflict('the board, its history or the bench changed since this plan was made; reload and plan again');
