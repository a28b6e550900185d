import type { PlanInput } from '~/schema/planRequest';
import { Solver } from '~/workers/client';

/** What searches the bench for the plan on this page. */
export const searching = new Solver<'plan'>();

/** Begins the plan that the page foretells, while its island still comes alive; the island takes it over. */
export function beginAhead(page: Document): void {
  const input = page.querySelector<HTMLElement>('[data-plan-ahead]')?.dataset['planAhead'];
  if (input) searching.begin({ kind: 'plan', input: JSON.parse(input) as PlanInput });
}
