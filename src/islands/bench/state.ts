import type { WaitingFor } from '~/core/record/waiting';
import type { BenchBoard } from '~/schema/sheets/benchSheet';

export interface BenchState {
  readonly filter: string;
  readonly selected: string | null;
}

export type BenchAction =
  | { readonly type: 'filter'; readonly text: string }
  | { readonly type: 'move'; readonly by: 1 | -1; readonly order: readonly string[] };

export const START: BenchState = { filter: '', selected: null };

export function reduce(state: BenchState, action: BenchAction): BenchState {
  switch (action.type) {
    case 'filter':
      return { ...state, filter: action.text, selected: null };
    case 'move': {
      const at = state.selected === null ? -1 : action.order.indexOf(state.selected);
      const next = at < 0 ? (action.by > 0 ? 0 : action.order.length - 1) : at + action.by;
      return {
        ...state,
        selected: action.order[Math.min(action.order.length - 1, Math.max(0, next))] ?? null,
      };
    }
  }
}

/** What a board waits for, in the order in which a bench looks at it. */
export const GROUPS: readonly { readonly waitingFor: WaitingFor; readonly title: string }[] = [
  { waitingFor: 'you', title: 'Waiting for you' },
  { waitingFor: 'heat', title: 'Heat to come or to leave' },
  { waitingFor: 'drying', title: 'Drying' },
  { waitingFor: 'cure', title: 'Curing' },
  { waitingFor: 'parts', title: 'Parked for parts' },
  { waitingFor: 'answer', title: 'Parked for an answer' },
  { waitingFor: 'time', title: 'Waiting for its time' },
  { waitingFor: 'owner', title: 'Ready for its owner' },
  { waitingFor: 'closed', title: 'Closed' },
];

/** Boards that have every word of the filter in name, fault, owner, next action or number, or that were found for it. */
export function matching(
  boards: readonly BenchBoard[],
  filter: string,
  found: ReadonlyMap<string, string>,
): BenchBoard[] {
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  return boards.filter((board) => {
    const { id, name, fault, owner, nextAction, outcome } = board;
    const text = `${name} ${fault} ${owner} ${nextAction} ${outcome ?? ''} ${id}`.toLowerCase();
    return found.has(id) || words.every((word) => text.includes(word));
  });
}

/** What a board waits for now: once its clock has ended, for whoever works on it. */
export const waitsFor = ({ waitingFor, due_ms }: BenchBoard, now_ms: number): WaitingFor =>
  (waitingFor === 'drying' || waitingFor === 'heat') && due_ms !== null && due_ms <= now_ms
    ? 'you'
    : waitingFor;
