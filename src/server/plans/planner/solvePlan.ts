import { LRUCache } from 'lru-cache';
import { curvesOf, type TouchCurves } from '~/core/method/hand/curves';
import { boardLesson, tipLesson } from '~/core/learning/lessons';
import { heatCourses } from '~/core/method/courses';
import { heatDraws } from '~/core/method/hand/heatDraws';
import { heatCost } from '~/core/method/heatCost';
import { gentlerHalf } from '~/core/method/plan/gentler';
import { methodOf } from '~/core/method/ways';
import { phaseRequest, type PhasePlan } from '~/core/method/plan/phases/phasePlan';
import type { Working } from '~/core/method/plan/pieces/piece';
import { exploreInPieces, planInPieces, type Explored } from '~/core/method/plan/plan';
import { recapInPieces } from '~/core/method/recap/plan';
import type { Phase } from '~/core/method/goals';
import type { Method } from '~/core/method/ways/method';
import type { Progress } from '~/core/method/progress';
import type { PlanRequest, Setting } from '~/core/method/request';
import { relayed } from '~/core/stepwise';
import { celsius } from '~/core/quantity/convert';
import type { GentlerAnswer } from '~/schema/exchange/outcomes/gentler';
import { gentlerAnswerOf } from '~/schema/exchange/outcomes/gentlerAnswerOf';
import { foundAnswerOf, pinAnswerOf, planAnswerOf } from '~/schema/exchange/plan/planAnswerOf';
import { optionAnswerOf } from '~/schema/exchange/plan/optionAnswerOf';
import { choicesOf, planRequestOf } from '~/schema/exchange/si/plan';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import { recapAnswerOf } from '~/schema/exchange/recap/recapAnswerOf';
import { settingInWords } from '~/schema/words/settingWords';
import type { Steps } from '~/workers/dispatch';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { AnyAnswer, CurveAnswer, ProgressMessage } from '~/workers/protocol';

/** Plans step by step; every yield is a chance to be cancelled. */
export function* solvePlan(task: PlanTask): Steps<AnyAnswer> {
  if (task.kind === 'recap') {
    const asks = task.asks.map(({ value, input }) => ({ value, request: planRequestOf(input) }));
    return recapAnswerOf(yield* relay(recapInPieces(asks)), settingInWords);
  }
  if (task.kind === 'cost') return yield* relay(heatCost(task.given));
  if (task.kind === 'courses') return yield* relayed(heatCourses(task.given), () => DRAWING);
  if (task.kind === 'gentler') {
    const answers: GentlerAnswer[] = [];
    for (const half of task.halves)
      answers.push(gentlerAnswerOf(half.method, yield* relay(gentlerHalf(half))));
    return answers;
  }
  if (task.kind === 'draws') return yield* relay(heatDraws(task.given));
  if (task.kind === 'tip-lesson') return tipLesson(task.of, task.jobs);
  if (task.kind === 'board-lesson') return boardLesson(task.of, task.jobs);
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

/** How far it is nobody looks at. */
const DRAWING = { stage: 'verify', done: 0, of: 1 } as const;

/** So many screens explore at a time. */
const MOST_INPUTS = 8;

/** What was explored on the inputs asked about last: a change to one half leaves the other as it was. */
const memory = new LRUCache<string, Explored>({ max: MOST_INPUTS });

function exploredOn(asked: PlanInput): Explored {
  const input = JSON.stringify(asked);
  const known = memory.get(input);
  const explored = known && known.size <= MOST_EXPLORED ? known : new Map<string, PhasePlan>();
  memory.set(input, explored);
  return explored;
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
  time_s: drawn(c.time_s),
  tip_C: drawn(c.tip_K.map(celsius)),
  land_C: drawn(c.land_K.map(celsius)),
  coldestSolder_C: drawn(c.coldestSolder_K.map(celsius)),
  body_C: drawn(c.body_K.map(celsius)),
  fullMelt_s: c.fullMelt_s,
  lastToMelt: c.lastToMelt,
});

/** To the hundredth, which no eye tells from the rest: it is sent to the page as text. */
const drawn = (values: Float64Array): number[] =>
  Array.from(values, (value) => Math.round(value * 100) / 100);
