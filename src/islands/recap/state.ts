import type { RecapAnswer } from '~/schema/exchange/recap/recapAnswer';
import type { RecapCandidate, RecapSheet } from '~/schema/sheets/recapSheet';

type RecapRun =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly done: number; readonly of: number }
  | { readonly status: 'done'; readonly answer: RecapAnswer }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly message: string };

export interface RecapState {
  readonly chosen: readonly string[];
  readonly order: 'value' | 'area';
  readonly run: RecapRun;
  readonly told: string | null;
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
  | { readonly type: 'kept'; readonly told: string }
  | { readonly type: 'refused'; readonly error: unknown };

/** Families that are changed board-wide for their age. */
const AGEING = new Set(['radial', 'canElectrolytic']);

/** The newest kept choice, else every ageing capacitor. */
export function start(sheet: RecapSheet): RecapState {
  const known = new Set(sheet.sites.map((s) => s.id));
  const kept = sheet.kept[0];
  const before = kept?.siteIds.filter((id) => known.has(id)) ?? [];
  return {
    chosen: before.length > 0 ? before : sheet.sites.filter(isAgeing).map((s) => s.id),
    order: kept?.order ?? 'value',
    run: { status: 'idle' },
    told: null,
    error: null,
  };
}

export const isAgeing = (site: RecapCandidate): boolean =>
  AGEING.has(site.family) && site.ref.startsWith('C');

export function reduce(state: RecapState, action: RecapAction): RecapState {
  switch (action.type) {
    case 'choose':
      return { ...state, chosen: action.ids, run: { status: 'idle' }, told: null };
    case 'order':
      return { ...state, order: action.order, told: null };
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
    case 'kept':
      return { ...state, told: action.told, error: null };
    case 'refused':
      return { ...state, error: action.error };
  }
}
