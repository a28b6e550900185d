import { isSupplyGate } from '~/core/record/supplyGate';
import { isChargeGate } from '~/core/record/chargeGate';
import type { RunEvent, RunEventBody } from '~/core/record/runEvents';
import type { RunStep } from '~/core/record/runState';

/** A step of a job's plan as far as the record knows it. */
export const runStep = (id: string, changes: Partial<RunStep> = {}): RunStep => ({
  id,
  title: id,
  kind: 'do',
  phase: null,
  pad: null,
  inTurn: [],
  effect: null,
  ...changes,
});

/** Entries one after another, a second apart. */
export const storyFrom = (from_ms: number, ...bodies: readonly RunEventBody[]): RunEvent[] =>
  bodies.map((body, i) => ({ ...body, seq: i + 1, at_ms: from_ms + 1000 * i, by: 'MK' }));

/** A step done as a hand does it: where a display has to be read, it shows what the plan is for. */
export const stepDone = ({ id, reads_C }: Pick<RunStep, 'id' | 'reads_C'>) => ({
  kind: 'step-done' as const,
  stepId: id,
  ...(reads_C == null ? {} : { shown_C: reads_C }),
  ...(isChargeGate(id) ? { left_V: 1.2, again_V: 1.9 } : {}),
  ...(isSupplyGate(id) ? { supply: { asks_V: 12, gives_V: 12, limit_A: 0.5 } } : {}),
});
