import type { PlanAsk } from '~/schema/exchange/plan/planAsk';
import type { PlanWishes } from '~/schema/exchange/plan/planWishes';
import type { PlanSheet } from '~/schema/sheets/planSheet';

/** What a plan's screen asks of the planner: its site, the record it was drawn from, what is wished for, and by whom. */
export const planAskOf = (
  { site, inputsKey }: Pick<PlanSheet, 'site' | 'inputsKey'>,
  { goal, worth, mates, moisture }: PlanWishes,
  by: string,
): Extract<PlanAsk, { kind: 'plan' }> => ({
  kind: 'plan',
  siteId: site.id,
  inputsKey,
  by: by === '' ? null : by,
  goal,
  worth: worth ?? 'ordinary',
  mates: [...(mates ?? [])],
  moisture: moisture ?? null,
});
