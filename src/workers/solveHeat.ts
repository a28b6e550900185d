import { solveFieldBand, type FieldBandAnswer } from '~/schema/exchange/simulate/fieldBand';
import { solveField, type FieldPicture, type HotAirLoad } from '~/schema/exchange/simulate/simulateField';
import type { SimulateInput } from '~/schema/exchange/simulate/simulateRequest';
import type { Steps } from './dispatch';
import type { HeatTask, ProgressMessage } from './protocol';

/** Heats a whole board, or draws the band of what its sensors would show. */
export function* solveHeat(task: HeatTask): Steps<FieldPicture | FieldBandAnswer> {
  return task.kind === 'field' ? yield* solveBoard(task) : yield* solveBand(task);
}

function* solveBoard(task: Extract<HeatTask, { kind: 'field' }>): Generator<ProgressMessage, FieldPicture> {
  const steps = solveField(task.input, hotAirOf(task.input), task.frames);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
    yield { stage: 'field', ...next.value };
  }
}

function* solveBand(
  task: Extract<HeatTask, { kind: 'field-band' }>,
): Generator<ProgressMessage, FieldBandAnswer> {
  const steps = solveFieldBand(task.input, hotAirOf(task.input), task);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
    yield { stage: 'field-band', band: next.value };
  }
}

function hotAirOf({ load }: SimulateInput): HotAirLoad {
  if (load.kind !== 'hot-air') throw new Error(`${load.kind} has no board scale`);
  return load;
}
