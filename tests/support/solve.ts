import { plan, type Plan } from '~/core/method/plan/plan';
import type { PlanRequest } from '~/core/method/request';

/** A plan solved to its end, without looking at its progress. */
export function planOf(request: PlanRequest): Plan {
  const solving = plan(request);
  let next = solving.next();
  while (!next.done) next = solving.next();
  return next.value;
}
