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
