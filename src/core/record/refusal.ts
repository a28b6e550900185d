import type { RunEvent, RunEventBody } from './runEvents';
import { chargeRefusal, isChargeGate } from './chargeGate';
import { readBackRefusal } from './readBack';
import { notLookedAt } from './lastLooks';
import { PAUSE_STEP } from './round';
import { isSupplyGate, supplyRefusal } from './supplyGate';
import { notSeenMolten, type RunState, type RunStep } from './runState';
import { retractRefusal } from './standing';

/** What may still be written of a job that is closed. */
const AFTER_CLOSING: ReadonlySet<RunEventBody['kind']> = new Set([
  'note',
  'taken-back',
  'correction',
  'resumed',
]);

/**
 * What may follow where a job stands; null when the entry is allowed, else why not and what to do.
 * The server asks this before it appends, so that two screens cannot write a story that never was.
 */
export function refusal(
  state: RunState,
  steps: readonly RunStep[],
  event: RunEventBody,
  events: readonly RunEvent[] = [],
): string | null {
  if (state.status === 'closed' && !AFTER_CLOSING.has(event.kind))
    return 'the job is closed; go on with it or open a new plan for more work';
  const current = steps[state.stepIndex];
  const elsewhere = `the job stands at step "${current?.title ?? 'end'}"; reload to see it`;
  const underHeat = state.heating
    ? `${heatWords(state.heating.pad)} is still under heat; take it off first`
    : null;
  switch (event.kind) {
    case 'heat-on':
      return underHeat ?? (event.stepId === current?.id ? null : elsewhere);
    case 'melted':
      if (state.heating?.pad !== event.pad) return `${heatWords(event.pad)} is not under heat`;
      return state.heating.melted_s === null
        ? null
        : 'its melt is logged already; correct that entry instead';
    case 'heat-off':
      return state.heating?.pad === event.pad ? null : `${heatWords(event.pad)} is not under heat`;
    case 'step-done':
      if (underHeat) return underHeat;
      if (event.stepId !== current?.id) return elsewhere;
      if (event.passed?.kind === 'early' && !event.passed.reason)
        return 'its clock has not ended and nothing was said; say why it ends early';
      if (current.reads_C != null && event.passed?.kind !== 'override')
        return readBackRefusal(current.reads_C, event.shown_C);
      if (isSupplyGate(event.stepId) && event.passed?.kind !== 'override') return supplyRefusal(event.supply);
      if (isChargeGate(event.stepId) && event.passed?.kind !== 'override')
        return chargeRefusal(event.left_V, event.again_V);
      // An early end of a clock says nothing of what still holds.
      return current.effect === 'part-off' && (!event.passed || event.passed.kind === 'early')
        ? holds(notSeenMolten(state, steps))
        : null;
    case 'step-back': {
      if (underHeat) return underHeat;
      const index = steps.findIndex((step) => step.id === event.stepId);
      return index >= 0 && index < state.stepIndex ? null : 'only an earlier step can be gone back to';
    }
    case 'correction':
      return state.dwells.some((d) => d.meltedSeq === event.ofSeq || d.offSeq === event.ofSeq)
        ? null
        : 'only a melt or the end of a heating has a time to correct';
    case 'taken-back':
      return retractRefusal(events, event.ofSeq);
    case 'closed':
      return (
        underHeat ??
        (event.restAtEnd === true && current?.id !== PAUSE_STEP
          ? 'only a part that is done leaves its cleaning to the end; close it with its outcome instead'
          : null) ??
        unproven(event, notLookedAt(steps, state))
      );
    case 'resumed':
      return state.status === 'closed' ? null : 'the job is under way already';
    default:
      return null;
  }
}

/** Fixed is what was looked at; without it why is said. */
function unproven(
  { outcome, restAtEnd, acceptedWithout }: Extract<RunEventBody, { kind: 'closed' }>,
  missing: readonly string[],
): string | null {
  if (outcome !== 'fixed' || restAtEnd === true || acceptedWithout || missing.length === 0) return null;
  return `"fixed" asks for what was not done yet: ${missing.join(', ')}; do it, or say why it is fixed without`;
}

const heatWords = (pad: string): string => (pad === 'all' ? 'the part' : `pin ${pad}`);

/** A part that may still be held is not lifted. */
function holds(pads: readonly string[]): string | null {
  if (pads.length === 0) return null;
  const which =
    pads[0] === 'all'
      ? 'the joints were'
      : pads.length === 1
        ? `pin ${pads[0]} was`
        : `pins ${pads.join(', ')} were`;
  return `${which} not seen molten; heat again, or say that it moved freely`;
}
