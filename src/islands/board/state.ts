import { reduceMarking, UNMARKED, type FoundAs, type Marking, type MarkingAction } from '../findings/marking';

export interface BoardState extends Marking {
  readonly side: 'top' | 'bottom';
  readonly siteId: string | null;
  /** Whether a finding was there when the board came, or came of work here. */
  readonly foundAs: FoundAs;
  /** Goes with the next finding. */
  readonly note: string;
  /** What the list of sites is narrowed to. */
  readonly query: string;
}

export type BoardAction =
  | { readonly type: 'site'; readonly id: string; readonly side: 'top' | 'bottom' }
  | { readonly type: 'flip' }
  | { readonly type: 'found-as'; readonly foundAs: FoundAs }
  | { readonly type: 'note'; readonly note: string }
  | { readonly type: 'query'; readonly query: string }
  | MarkingAction;

export function reduce(state: BoardState, action: BoardAction): BoardState {
  switch (action.type) {
    case 'site':
      return { ...state, ...UNMARKED, siteId: action.id, side: action.side };
    case 'flip':
      return { ...state, side: state.side === 'top' ? 'bottom' : 'top' };
    case 'found-as':
      return { ...state, foundAs: action.foundAs };
    case 'note':
      return { ...state, note: action.note };
    case 'query':
      return { ...state, query: action.query };
    case 'found':
      return reduceMarking({ ...state, note: '' }, action);
    default:
      return reduceMarking(state, action);
  }
}
