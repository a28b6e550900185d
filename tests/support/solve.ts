import { plan, type Plan } from '~/core/method/plan/plan';
import type { PlanRequest } from '~/core/method/request';
import { inOneGo } from '~/core/stepwise';

/** A plan solved to its end, without looking at its progress. */
export const planOf = (request: PlanRequest): Plan => inOneGo(plan(request));
