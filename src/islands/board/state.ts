import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import type { FindingRecord } from '~/schema/finding';

export interface BoardState {
  readonly side: 'top' | 'bottom';
  readonly siteId: string | null;
  readonly pad: string | null;
  readonly findings: readonly FindingRecord[];
  /** A finding that waits for its other pad. */
  readonly pending: { readonly padId: string; readonly state: PadStateId } | null;
  readonly error: unknown;
}

export type BoardAction =
  | { readonly type: 'site'; readonly id: string; readonly side: 'top' | 'bottom' }
  | { readonly type: 'pad'; readonly pad: string }
  | { readonly type: 'flip' }
  | { readonly type: 'needs-other'; readonly padId: string; readonly state: PadStateId }
  | { readonly type: 'found'; readonly finding: FindingRecord }
  | { readonly type: 'forget' }
  | { readonly type: 'failed'; readonly error: unknown };

export function reduce(state: BoardState, action: BoardAction): BoardState {
  switch (action.type) {
    case 'site':
      return { ...state, siteId: action.id, pad: null, pending: null, side: action.side, error: null };
    case 'pad':
      return { ...state, pad: action.pad };
    case 'flip':
      return { ...state, side: state.side === 'top' ? 'bottom' : 'top' };
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
