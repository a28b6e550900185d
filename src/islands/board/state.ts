import { reduceMarking, type Marking, type MarkingAction } from '../findings/marking';

export interface BoardState extends Marking {
  readonly side: 'top' | 'bottom';
  readonly siteId: string | null;
}

export type BoardAction =
  | { readonly type: 'site'; readonly id: string; readonly side: 'top' | 'bottom' }
  | { readonly type: 'flip' }
  | MarkingAction;

export function reduce(state: BoardState, action: BoardAction): BoardState {
  switch (action.type) {
    case 'site':
      return { ...state, siteId: action.id, pad: null, pending: null, side: action.side, error: null };
    case 'flip':
      return { ...state, side: state.side === 'top' ? 'bottom' : 'top' };
    default:
      return reduceMarking(state, action);
  }
}
