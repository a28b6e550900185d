import { PAUSE_STEP } from './round';
import type { RunState, RunStep } from './runState';

/**
 * What a plan asks to be looked at, read and held right after its last heat, and was not: without it nobody knows that a
 * part is fixed.
 */
export function notLookedAt(
  steps: readonly Pick<RunStep, 'id' | 'title' | 'kind'>[],
  { done }: Pick<RunState, 'done'>,
): string[] {
  const lastHeat = steps.findLastIndex((step) => step.kind === 'heat');
  return steps
    .slice(lastHeat + 1)
    .flatMap(({ id, title, kind }) =>
      (kind === 'inspect' || kind === 'gate') && id !== PAUSE_STEP && !done.has(id) ? [title] : [],
    );
}
