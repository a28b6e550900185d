import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { FromWorker, ToWorker } from '~/workers/protocol';
import { Planner } from './planner';
import { startThread } from './thread';

/** The planner of a server whose bundle stands beside those of its threads. */
export const openPlanner = (bundle: string | URL): Planner =>
  new Planner(() => startThread<ToWorker<PlanTask>, FromWorker>(new URL('./plan.mjs', bundle)));
