import { curvesOf, type PinCurves } from '../core/method/curves';
import { explore, plan } from '../core/method/plan';
import { ironMethod } from '../core/method/methods';
import type { Progress } from '../core/method/progress';
import type { PlanRequest } from '../core/method/request';
import { planImport, type ImportPreview } from '../formats/importPlan';
import { celsius } from '../core/quantity/convert';
import { foundAnswerOf, optionAnswerOf, pinAnswerOf, planAnswerOf } from '../schema/planAnswer';
import { planRequestOf, settingOf } from '../schema/planRequest';
import { solveFieldBand, type FieldBandAnswer } from '../schema/fieldBand';
import { solveField, type FieldPicture, type HotAirLoad } from '../schema/simulateField';
import type { SimulateInput } from '../schema/simulateRequest';
import type { AnyAnswer, CurveAnswer, ProgressMessage, Task } from './protocol';

/** Runs one task step by step; every yield is a message and a chance to be cancelled. */
export function* solve(task: Task): Generator<ProgressMessage, AnyAnswer> {
  if (task.kind === 'field') return yield* solveBoard(task);
  if (task.kind === 'field-band') return yield* solveBand(task);
  if (task.kind === 'import') return yield* readImport(task);
  const request = planRequestOf(task.input);
  if (task.kind === 'plan') return planAnswerOf(yield* relay(request, plan(request)));

  const setting = settingOf(request, task.setting);
  if (!setting) throw new Error(`iron ${task.setting.ironId} is not on the bench`);
  yield { stage: 'curves', curves: curvesOf(request, setting).map(curveAnswerOf) };
  return foundAnswerOf(yield* relay(request, explore(request, setting)));
}

function* solveBoard(task: Extract<Task, { kind: 'field' }>): Generator<ProgressMessage, FieldPicture> {
  const steps = solveField(task.input, hotAirOf(task.input), task.frames);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
    yield { stage: 'field', ...next.value };
  }
}

function* solveBand(
  task: Extract<Task, { kind: 'field-band' }>,
): Generator<ProgressMessage, FieldBandAnswer> {
  const steps = solveFieldBand(task.input, hotAirOf(task.input), task);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
    yield { stage: 'field-band', band: next.value };
  }
}

function* readImport(task: Extract<Task, { kind: 'import' }>): Generator<ProgressMessage, ImportPreview> {
  const steps = planImport(task.files, task.ground, task.choices);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
    yield { stage: 'import', ...next.value };
  }
}

function hotAirOf({ load }: SimulateInput): HotAirLoad {
  if (load.kind !== 'hot-air') throw new Error(`${load.kind} has no board scale`);
  return load;
}

function* relay<Result>(
  request: PlanRequest,
  steps: Generator<Progress, Result>,
): Generator<ProgressMessage, Result> {
  const method = ironMethod(request).id;
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
    yield messageOf(method, next.value);
  }
}

function messageOf(method: string, progress: Progress): ProgressMessage {
  switch (progress.stage) {
    case 'search':
      return progress;
    case 'first':
      return {
        stage: 'first',
        option: optionAnswerOf(method, progress.chosen),
        frontier: progress.frontier.map((c) => optionAnswerOf(method, c)),
      };
    case 'band':
      return { stage: 'band', pin: pinAnswerOf(progress.band) };
  }
}

const curveAnswerOf = (c: PinCurves): CurveAnswer => ({
  pad: c.pad,
  time_s: c.time_s,
  tip_C: c.tip_K.map(celsius),
  land_C: c.land_K.map(celsius),
  coldestSolder_C: c.coldestSolder_K.map(celsius),
  body_C: c.body_K.map(celsius),
  fullMelt_s: c.fullMelt_s,
  lastToMelt: c.lastToMelt,
});
