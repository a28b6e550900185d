import type { RecapAnswer } from '~/schema/exchange/recap/recapAnswer';
import type { KeptRound, RecapCandidate, RecapSheet } from '~/schema/sheets/recapSheet';

type RecapRun =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly done: number; readonly of: number }
  | { readonly status: 'done'; readonly answer: RecapAnswer }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly message: string };

export interface RecapState {
  readonly chosen: readonly string[];
  /** What is to be computed; null where what was kept is shown. */
  readonly asked: readonly string[] | null;
  readonly order: 'value' | 'area';
  readonly run: RecapRun;
  /** Something is being written, or the next part planned. */
  readonly busy: string | null;
  readonly error: unknown;
}

export type RecapAction =
  | { readonly type: 'choose'; readonly ids: readonly string[] }
  | { readonly type: 'order'; readonly order: 'value' | 'area' }
  | { readonly type: 'started' }
  | { readonly type: 'progress'; readonly done: number; readonly of: number }
  | { readonly type: 'done'; readonly answer: RecapAnswer }
  | { readonly type: 'failed'; readonly message: string }
  | { readonly type: 'stopped' }
  | { readonly type: 'busy'; readonly what: string }
  | { readonly type: 'refused'; readonly error: unknown };

/** Families that are changed board-wide for their age. */
const AGEING = new Set(['radial', 'canElectrolytic']);

/** What was kept, as it was planned; else every ageing capacitor. */
export function start({ sites, kept }: RecapSheet): RecapState {
  const known = new Set(sites.map((s) => s.id));
  const before = kept?.recap.siteIds.filter((id) => known.has(id)) ?? [];
  const chosen = before.length > 0 ? before : sites.filter(isAgeing).map((s) => s.id);
  const shown = kept !== null && before.length > 0 && hasSettings(kept) ? kept.recap.answer : null;
  return {
    chosen,
    asked: shown ? null : chosen,
    order: kept?.recap.order ?? 'value',
    run: shown ? { status: 'done', answer: shown } : { status: 'idle' },
    busy: null,
    error: null,
  };
}

/** What an early version kept has words and no settings: it is planned anew. */
const hasSettings = ({ recap: { answer } }: KeptRound): boolean =>
  answer.sites.every((site) => site.on === null || site.on.option !== null);

/** What was kept, where that is what is shown: in its order, not computed anew. */
export const shownKept = (state: RecapState, kept: KeptRound | null): KeptRound | null =>
  state.asked === null && state.order === kept?.recap.order ? kept : null;

/** Sites to plan again: those of a job under way that are not done, else those that are chosen. */
export const toPlanAgain = ({ chosen }: RecapState, kept: KeptRound | null): readonly string[] =>
  kept?.round.begun && kept.round.next
    ? kept.round.lines.filter((line) => line.status !== 'done').map((line) => line.siteId)
    : chosen;

export const isAgeing = (site: RecapCandidate): boolean =>
  AGEING.has(site.family) && site.ref.startsWith('C');

export function reduce(state: RecapState, action: RecapAction): RecapState {
  switch (action.type) {
    case 'choose':
      return { ...state, chosen: action.ids, asked: action.ids, run: { status: 'idle' }, error: null };
    case 'order':
      return { ...state, order: action.order };
    case 'started':
      return { ...state, run: { status: 'running', done: 0, of: state.chosen.length } };
    case 'progress':
      return { ...state, run: { status: 'running', done: action.done, of: action.of } };
    case 'done':
      return { ...state, run: { status: 'done', answer: action.answer } };
    case 'failed':
      return { ...state, run: { status: 'failed', message: action.message } };
    case 'stopped':
      return { ...state, run: { status: 'stopped' } };
    case 'busy':
      return { ...state, busy: action.what, error: null };
    case 'refused':
      return { ...state, busy: null, error: action.error };
  }
}
