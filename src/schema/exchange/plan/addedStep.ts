import type { StepEdit } from '~/core/method/steps/edits';
import type { StepAnswer } from './planAnswer';

/** A step that a person added, as the traveller shows it. */
export const addedStep = (edit: Extract<StepEdit, { op: 'add' }>): StepAnswer => ({
  id: edit.id,
  kind: edit.kind,
  title: edit.title,
  detail: edit.detail,
  why: edit.why === '' ? 'Added by hand: the workshop’s own way.' : edit.why,
  cautions: [],
  pad: null,
  dwell: null,
  wait_s: edit.kind === 'wait' ? (edit.wait_s ?? 60) : null,
  phase: null,
  inTurn: [],
  stroke: [],
  reads_C: null,
  effect: null,
  picture: false,
});
