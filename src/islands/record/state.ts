import type { BundleOutcome } from '~/schema/exchange/bundleOutcome';

/** A bundle on its way in: looked at first, written only when it is said so. */
export type RecordState =
  | { readonly status: 'idle' }
  | { readonly status: 'looking'; readonly file: File }
  | { readonly status: 'looked'; readonly file: File; readonly found: BundleOutcome }
  | { readonly status: 'writing'; readonly file: File; readonly found: BundleOutcome }
  | { readonly status: 'written'; readonly found: BundleOutcome }
  | { readonly status: 'failed'; readonly error: unknown };

export type RecordAction =
  | { readonly type: 'chosen'; readonly file: File }
  | { readonly type: 'looked'; readonly file: File; readonly found: BundleOutcome }
  | { readonly type: 'writing' }
  | { readonly type: 'written'; readonly found: BundleOutcome }
  | { readonly type: 'failed'; readonly error: unknown }
  | { readonly type: 'left' };

export const start: RecordState = { status: 'idle' };

export function reduce(state: RecordState, action: RecordAction): RecordState {
  switch (action.type) {
    case 'chosen':
      return { status: 'looking', file: action.file };
    case 'looked':
      // An answer to a bundle that was left meanwhile is nobody's.
      return state.status === 'looking' && state.file === action.file
        ? { status: 'looked', file: action.file, found: action.found }
        : state;
    case 'writing':
      return state.status === 'looked' ? { ...state, status: 'writing' } : state;
    case 'written':
      return { status: 'written', found: action.found };
    case 'failed':
      return { status: 'failed', error: action.error };
    case 'left':
      return state.status === 'writing' ? state : start;
  }
}

/** Names of tables as a bench says them; what has none is told by its own. */
const WORDS: Readonly<Record<string, string>> = {
  boards: 'boards',
  sites: 'parts on boards',
  jobs: 'jobs',
  run_events: 'entries of jobs',
  findings: 'findings',
  face_findings: 'findings on faces',
  readings: 'continuity readings',
  photos: 'photos',
  board_entries: 'entries of boards',
  thermal_logs: 'logs of temperatures',
  tools: 'tools',
  supplies: 'supplies',
  stock_parts: 'lines of stock',
};

/** What is new in a bundle, in words, what matters first. */
export function freshInWords(fresh: BundleOutcome['fresh']): string {
  const known = Object.keys(WORDS).filter((name) => (fresh[name] ?? 0) > 0);
  const rest = Object.entries(fresh).reduce((sum, [name, count]) => sum + (name in WORDS ? 0 : count), 0);
  const told = known.map((name) => `${fresh[name]!.toLocaleString('en')} ${WORDS[name]}`);
  if (rest > 0) told.push(`${rest.toLocaleString('en')} other rows`);
  return told.length === 0 ? 'nothing new' : told.join(', ');
}
