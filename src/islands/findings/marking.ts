import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import type { FindingRecord } from '~/schema/finding';

/** A finding that waits for its other pad. */
export interface Pending {
  readonly padId: string;
  readonly state: PadStateId;
}

/** The part of a screen's state that marking moves. */
export interface Marking {
  readonly pad: string | null;
  readonly pending: Pending | null;
  readonly findings: readonly FindingRecord[];
  readonly error: unknown;
}

export type MarkingAction =
  | { readonly type: 'pad'; readonly pad: string }
  | { readonly type: 'needs-other'; readonly padId: string; readonly state: PadStateId }
  | { readonly type: 'found'; readonly finding: FindingRecord }
  | { readonly type: 'forget' }
  | { readonly type: 'failed'; readonly error: unknown };

export function reduceMarking<State extends Marking>(state: State, action: MarkingAction): State {
  switch (action.type) {
    case 'pad':
      return { ...state, pad: action.pad };
    case 'needs-other':
      return { ...state, pending: { padId: action.padId, state: action.state }, error: null };
    case 'found':
      return { ...state, findings: [...state.findings, action.finding], pending: null, error: null };
    case 'forget':
      return { ...state, pending: null };
    case 'failed':
      return { ...state, error: action.error };
  }
}

/** The state of a pad is its last finding. */
export const padState = (findings: readonly FindingRecord[], padId: string): PadStateId =>
  findings.findLast((f) => f.padId === padId)?.state ?? 'sound';

/** The worst of several: copper damage before solder faults before anything whole. */
export function worstState(states: readonly PadStateId[]): PadStateId {
  const rank = (id: PadStateId): number =>
    PAD_STATES[id].defect ? (PAD_STATES[id].shape === 'diamond' ? 3 : 2) : id === 'sound' ? 0 : 1;
  return states.reduce<PadStateId>((worst, id) => (rank(id) > rank(worst) ? id : worst), 'sound');
}
