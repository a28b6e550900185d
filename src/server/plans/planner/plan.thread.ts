import { dispatch } from '~/workers/dispatch';
import { Helpers } from './helpers';
import { messageOf, solvePlan } from './solvePlan';
import { startThread, threadPort } from './thread';

/** Plans, several at a time; their pieces go to helpers, one for each core. */
const helpers = new Helpers(() => startThread(new URL('./pieces.mjs', import.meta.url)));
helpers.prepare();

dispatch(threadPort(), solvePlan, {
  solve: (jobId, ask, show) => helpers.solve(jobId, ask, (progress) => show(messageOf(progress))),
  drop: (jobId) => helpers.drop(jobId),
});
