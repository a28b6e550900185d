import { solveAirField, type FieldPicture } from '~/schema/exchange/simulate/airField';
import { solveFieldBand, type FieldBandAnswer } from '~/schema/exchange/simulate/fieldBand';
import type { Steps } from './dispatch';
import type { HeatTask, ProgressMessage } from './protocol';

/** Heats a whole board, or draws the band of what its sensors would show. */
export function* solveHeat(task: HeatTask): Steps<FieldPicture | FieldBandAnswer> {
  return task.kind === 'field' ? yield* solveBoard(task) : yield* solveBand(task);
}

/** Pauses of a run between two that are told. */
const TOLD_EVERY = 4;

function* solveBoard(task: Extract<HeatTask, { kind: 'field' }>): Generator<ProgressMessage, FieldPicture> {
  const steps = solveAirField(task.ask, task.frames);
  for (let i = 0; ; i++) {
    const next = steps.next();
    if (next.done) return next.value;
    // Looked at a few times a second, it is not told at every step.
    if (i % TOLD_EVERY === 0) yield { stage: 'field', ...next.value };
  }
}

function* solveBand(
  task: Extract<HeatTask, { kind: 'field-band' }>,
): Generator<ProgressMessage, FieldBandAnswer> {
  const steps = solveFieldBand(task.ask, task);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
    yield { stage: 'field-band', band: next.value };
  }
}
