import { TOGETHER, notSeenMolten, type Dwell, type RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';

/** Where a heating step stands: the pad whose turn it is, and what became of the last one. */
export interface Turn {
  /** The next pad to heat; null once all of the step are done. */
  readonly pad: string | null;
  readonly done: number;
  readonly of: number;
  /** The last heating of this step since it became the current one. */
  readonly lastDwell: Dwell | null;
}

/**
 * Reads a step's turn from the entries. Gone back to, a step of one pad is heated anew; of a row only the pads that were
 * not seen molten are.
 */
export function turnOf(step: JobStep, at: Pick<RunState, 'dwells' | 'stepStart_ms'>): Turn {
  const row = step.inTurn.length > 0;
  const pads = row ? step.inTurn : [step.pad!];
  const own = at.dwells.filter((d) => d.stepId === step.id);
  const now = own.filter((d) => d.on_ms >= at.stepStart_ms);
  const done = new Set([
    ...now.filter((d) => d.off_s !== null).map((d) => d.pad),
    ...(row ? own.filter((d) => d.melted_s !== null && d.off_s !== null).map((d) => d.pad) : []),
  ]);
  return {
    pad: pads.find((pad) => !done.has(pad)) ?? null,
    done: pads.filter((pad) => done.has(pad)).length,
    of: pads.length,
    lastDwell: (row ? own : now).at(-1) ?? null,
  };
}

/** Pins that may still hold where a step takes the part off; empty for every other step. */
export const heldAt = (step: JobStep | null, steps: readonly JobStep[], at: RunState): string[] =>
  step?.effect === 'part-off' ? notSeenMolten(at, steps) : [];

/** The step that heats a pin which was not seen molten: where "heat again" goes back to. */
export const stepHeating = (steps: readonly JobStep[], pad: string): JobStep | null =>
  steps.find((s) => s.kind === 'heat' && s.phase === 'remove' && (s.pad === pad || s.inTurn.includes(pad))) ??
  null;

/** "pin 2", "pins 2, 5" or "the part", for whatever is heated. */
export function heatedInWords(pads: readonly string[]): string {
  if (pads.length === 1 && pads[0] === 'all') return 'the joints';
  return pads.length === 1 ? `pin ${pads[0]}` : `pins ${pads.join(', ')}`;
}

/** A step's own pad; none where all are heated together. */
export const padOf = (step: JobStep | null): string | null =>
  step?.pad === TOGETHER ? null : (step?.pad ?? null);
