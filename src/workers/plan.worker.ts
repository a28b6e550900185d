import { dispatch } from './dispatch';
import { Helpers, type Helper } from './helpers';
import { messageOf, solvePlan } from './solvePlan';

/** Plans; pieces of a plan go to helpers, one for each core, that load while the first task comes in. */
const helpers = new Helpers(
  () => new Worker(new URL('./piece.worker.ts', import.meta.url), { type: 'module' }) as Helper,
);
helpers.prepare();

dispatch(solvePlan, {
  solve: (ask, show) => helpers.solve(ask, (progress) => show(messageOf(progress))),
  drop: () => helpers.drop(),
});
