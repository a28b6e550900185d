import type { PlanAsk } from '~/schema/exchange/plan/planAsk';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { Db } from '~/server/store/db';
import { Conflict } from '~/server/store/errors';
import { recapAsks } from './recapSheet';
import { planningFor } from './sitePlanning';

/** What a screen asks for with what the record knows put in. Throws `Conflict` where the record moved on since. */
export function planTaskOf(db: Db, ask: PlanAsk): PlanTask {
  if (ask.kind === 'recap') return { kind: 'recap', asks: recapAsks(db, ask.boardId, ask.siteIds) };
  const { siteId, inputsKey: seen, by, goal, worth, mates, moisture } = ask;
  const { input, inputsKey } = planningFor(db, siteId, { goal, worth, mates, moisture, by: by ?? undefined });
  if (inputsKey !== seen) throw recordMovedOn();
  return ask.kind === 'plan' ? { kind: 'plan', input } : { kind: 'explore', input, choices: ask.choices };
}

/** The screen shows a board, a history or a bench that is no longer so. */
export const recordMovedOn = (): Conflict =>
  new Conflict('the board, its history or the bench changed since this plan was made; reload and plan again');
