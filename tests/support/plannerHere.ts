import { boardLesson, tipLesson } from '~/core/learning/lessons';
import { heatDraws } from '~/core/method/hand/heatDraws';
import { serially } from '~/core/method/plan/pieces/solve';
import { inOneGo } from '~/core/stepwise';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { Listener, Planner } from '~/server/plans/planner/planner';

/** Stands in for the planner where a job's draws and lessons are asked for: solves at once, on this thread. */
export const plannerHere: Pick<Planner, 'ask'> = {
  ask: (task: PlanTask, listen: Listener) => {
    const answer = answerTo(task);
    setTimeout(() => listen({ type: 'done', jobId: 1, answer }));
    return () => undefined;
  },
};

function answerTo(task: PlanTask) {
  switch (task.kind) {
    case 'draws':
      return inOneGo(serially(heatDraws(task.given)));
    case 'tip-lesson':
      return tipLesson(task.of, task.jobs);
    case 'board-lesson':
      return boardLesson(task.of, task.jobs);
    default:
      throw new Error('asked for something else');
  }
}
