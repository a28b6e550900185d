import type { AnswerOf } from '~/workers/protocol';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { Planner } from './planner';

/** One answer of the planner, for who waits for it on the server. Rejects where the computation failed. */
export const asked = <Kind extends PlanTask['kind']>(
  planner: Pick<Planner, 'ask'>,
  task: Extract<PlanTask, { kind: Kind }>,
): Promise<AnswerOf[Kind]> =>
  new Promise((resolve, reject) => {
    planner.ask(task, (message) => {
      if (message.type === 'done') resolve(message.answer as AnswerOf[Kind]);
      else if (message.type === 'failed') reject(new Error(message.message));
    });
  });
