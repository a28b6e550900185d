import type { StockPart } from '~/schema/records/parts/stockPart';

export type PartsPlace = 'drawers' | 'swap' | 'kits' | 'orders' | 'bleed';

export interface PartsState {
  readonly place: PartsPlace;
  readonly typed: string;
  readonly lines: readonly StockPart[];
  /** How many there are in all of what was asked for. */
  readonly of: number;
  /** A line by its id, or `new` for one that is being put in. */
  readonly open: string | null;
  readonly told: string | null;
  readonly error: unknown;
}

export type PartsAction =
  | { readonly type: 'place'; readonly place: PartsPlace }
  | { readonly type: 'typed'; readonly typed: string }
  | {
      readonly type: 'found';
      readonly typed: string;
      readonly lines: readonly StockPart[];
      readonly of: number;
    }
  | { readonly type: 'open'; readonly what: string | null }
  | { readonly type: 'step'; readonly by: 1 | -1 }
  | { readonly type: 'written'; readonly line: StockPart; readonly told: string }
  | { readonly type: 'failed'; readonly error: unknown };

export const start = (
  typed: string,
  first: Pick<PartsState, 'lines' | 'of'>,
  place: PartsPlace,
): PartsState => ({
  place,
  typed,
  ...first,
  // One that was looked for by name, and is the only one, is opened.
  open: typed !== '' && first.lines.length === 1 ? first.lines[0]!.id : null,
  told: null,
  error: null,
});

export function reduce(state: PartsState, action: PartsAction): PartsState {
  switch (action.type) {
    case 'place':
      return { ...state, place: action.place, told: null, error: null };
    case 'typed':
      return { ...state, typed: action.typed };
    case 'found':
      // An answer to what is no longer asked.
      if (action.typed !== state.typed) return state;
      return { ...state, lines: action.lines, of: action.of, error: null };
    case 'open':
      return { ...state, open: action.what, told: null, error: null };
    case 'step': {
      const at = state.lines.findIndex(({ id }) => id === state.open);
      const next = state.lines[Math.max(0, Math.min(state.lines.length - 1, at + action.by))];
      return next ? { ...state, place: 'drawers', open: next.id } : state;
    }
    case 'written': {
      const known = state.lines.some(({ id }) => id === action.line.id);
      const lines = known
        ? state.lines.map((line) => (line.id === action.line.id ? action.line : line))
        : [action.line, ...state.lines];
      return {
        ...state,
        lines,
        of: state.of + (known ? 0 : 1),
        open: action.line.id,
        told: action.told,
        error: null,
      };
    }
    case 'failed':
      return { ...state, error: action.error };
  }
}
