import { knownOf } from '~/core/learning/lasting';
import type { PhaseDraws } from '~/core/learning/worlds';
import { allowanceFor } from '../limits/forecast';
import { stopOf } from '../limits/stop';
import { ask, type Working } from '../plan/pieces/piece';
import type { HandSetting, PhaseRequest } from '../request';
import { PLAN } from '../settings';
import { methodOf } from '../ways';
import type { MethodId } from '../ways/method';
import type { DrawnDwell } from './bands';
import { partsOf } from './handBands';

/** One phase of a job that is done by hand, as it was planned. Plain data. */
export interface DrawsGiven {
  readonly request: PhaseRequest;
  readonly method: MethodId;
  readonly setting: HandSetting;
}

/** All draws of a phase's touches, for the job to keep: the same as those behind the plan's bands, seed by seed. */
export function* heatDraws({ request, method, setting }: DrawsGiven): Working<PhaseDraws> {
  const { heat } = methodOf(method);
  if (heat.kind === 'air') throw new Error(`${method} takes no tool in the hand`);
  const touches = heat.touchesOf(request, setting);
  const unlike = [...new Map(touches.map((touch) => [touch.likeness, touch])).values()];
  const answers = yield* ask(
    request,
    unlike.flatMap(({ name }) => partsOf(heat, setting, name, 0, PLAN.draws)),
  );
  const dwellsOf = (name: string): DrawnDwell[] =>
    answers.flatMap(({ touch, dwells }) => (touch === name ? dwells : []));
  return {
    seed: request.seed,
    draws: PLAN.draws,
    ...(request.learnt ? { known: knownOf(request.learnt, setting) } : {}),
    touches: unlike.map(({ name, likeness, pads, longest_s }) => {
      const allowance = allowanceFor(request, pads);
      const dwells = dwellsOf(name);
      return {
        touches: touches.filter((t) => t.likeness === likeness).map((t) => t.name),
        melts_s: dwells.map((d) => d.melt_s),
        limits_s: dwells.map((d) => {
          const stop = stopOf(d, allowance, longest_s);
          return stop.because === 'longest dwell' ? Infinity : stop.stop_s;
        }),
        longest_s,
      };
    }),
  };
}
