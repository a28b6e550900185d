import { curvesOf, type TouchCurves } from '../core/method/heat/curves';
import { methodOf } from '../core/method/methods';
import { phaseRequest } from '../core/method/phase/phasePlan';
import type { Working } from '../core/method/pieces/piece';
import { exploreInPieces, planInPieces, type Explored } from '../core/method/plan';
import { recapInPieces } from '../core/method/recap/plan';
import type { Phase } from '../core/method/goals';
import type { Method } from '../core/method/methods/method';
import type { Progress } from '../core/method/progress';
import type { PlanRequest, Setting } from '../core/method/request';
import { celsius } from '../core/quantity/convert';
import { foundAnswerOf, optionAnswerOf, pinAnswerOf, planAnswerOf } from '../schema/planAnswerOf';
import { choicesOf, planRequestOf } from '../schema/si/plan';
import type { PlanInput } from '../schema/planRequest';
import { recapAnswerOf } from '../schema/recapAnswerOf';
import type { Steps } from './dispatch';
import type { AnyAnswer, CurveAnswer, PlanTask, ProgressMessage } from './protocol';

/** Plans step by step; every yield is a chance to be cancelled. */
export function* solvePlan(task: PlanTask): Steps<AnyAnswer> {
  if (task.kind === 'recap') {
    const asks = task.asks.map(({ value, input }) => ({ value, request: planRequestOf(input) }));
    return recapAnswerOf(yield* relay(recapInPieces(asks)));
  }
  const request = planRequestOf(task.input);
  if (task.kind === 'plan') {
    const found = yield* relay(planInPieces(request));
    if (found.outcome === 'found') {
      for (const { phase, method, chosen } of found.phases)
        yield* curves(request, phase, method, chosen.setting);
    }
    return planAnswerOf(found);
  }

  const choices = choicesOf(request, task.choices);
  if (!choices) throw new Error('a tool that was set is not on the bench, or a phase has no setting');
  for (const { phase, method, setting } of choices) yield* curves(request, phase, methodOf(method), setting);
  return foundAnswerOf(yield* relay(exploreInPieces(request, choices, exploredOn(task.input))));
}

/** What this worker has explored on the inputs it was last asked about: a change to one half leaves the other as it was. */
let memory: { readonly input: string; readonly explored: Explored } = { input: '', explored: new Map() };

function exploredOn(asked: PlanInput): Explored {
  const input = JSON.stringify(asked);
  if (memory.input !== input || memory.explored.size > MOST_EXPLORED) memory = { input, explored: new Map() };
  return memory.explored;
}

/** Settings looked back at; more would only keep memory. */
const MOST_EXPLORED = 40;

/** Nominal temperatures of a hand tool's touches, for drawing. */
function* curves(
  request: PlanRequest,
  phase: Phase,
  { heat }: Method,
  setting: Setting,
): Generator<ProgressMessage, void> {
  if (heat.kind !== 'hand' || setting.kind !== 'hand') return;
  const drawn = curvesOf(phaseRequest(request, phase, []), heat, setting);
  yield { stage: 'curves', phase, curves: drawn.map(curveAnswerOf) };
}

function* relay<Result>(steps: Working<Result>): Steps<Result> {
  let next = steps.next();
  while (!next.done) {
    const { value } = next;
    if (value.stage === 'ask') {
      next = steps.next(yield value);
    } else {
      yield messageOf(value);
      next = steps.next();
    }
  }
  return next.value;
}

/** What a screen is shown of a plan in the making. */
export function messageOf(progress: Progress): ProgressMessage {
  switch (progress.stage) {
    case 'search':
    case 'remedies':
    case 'verify':
      return progress;
    case 'first':
      return {
        stage: 'first',
        phase: progress.phase,
        option: optionAnswerOf(progress.method, progress.chosen),
        frontier: progress.frontier.map((c) => optionAnswerOf(progress.method, c)),
      };
    case 'band':
      return { stage: 'band', phase: progress.phase, pin: pinAnswerOf(progress.band) };
  }
}

const curveAnswerOf = (c: TouchCurves): CurveAnswer => ({
  pad: c.pad,
  time_s: c.time_s,
  tip_C: c.tip_K.map(celsius),
  land_C: c.land_K.map(celsius),
  coldestSolder_C: c.coldestSolder_K.map(celsius),
  body_C: c.body_K.map(celsius),
  fullMelt_s: c.fullMelt_s,
  lastToMelt: c.lastToMelt,
});
