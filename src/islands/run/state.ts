import type { RunEvent, RunEventBody } from '~/core/record/runEvents';
import { runState, type RunState, type RunStep } from '~/core/record/runState';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';

import { reduceMarking, type Marking, type MarkingAction } from '~/islands/findings/marking';

/** An entry made here that the server has not acknowledged yet. */
export interface Unsent {
  readonly clientId: string;
  readonly by: string;
  readonly at_ms: number;
  readonly event: WritableEvent;
}

export interface RunViewState extends Marking {
  readonly events: readonly RunEvent[];
  readonly unsent: readonly Unsent[];
  /** How far the server's clock is ahead of this screen's. */
  readonly skew_ms: number;
  /** Something that stands against going on was passed over once; the second press means it. */
  readonly early: boolean;
  /** Where the part that comes off in this step will lie. */
  readonly where: string;
  /** What the station's display shows, as typed. */
  readonly shown: string;
  readonly open: 'nothing' | 'note' | 'why' | 'close' | 'take-back';
  readonly offline: boolean;
}

export type RunAction =
  | { readonly type: 'wrote'; readonly entry: Unsent }
  | {
      readonly type: 'acknowledged';
      readonly clientId: string;
      readonly events: readonly RunEvent[];
      readonly skew_ms: number;
    }
  | { readonly type: 'caught-up'; readonly events: readonly RunEvent[]; readonly skew_ms: number }
  | { readonly type: 'opened'; readonly events: readonly RunEvent[]; readonly skew_ms: number }
  | { readonly type: 'refused'; readonly error: unknown; readonly events: readonly RunEvent[] | null }
  | { readonly type: 'offline' }
  | { readonly type: 'restored'; readonly unsent: readonly Unsent[] }
  | { readonly type: 'early' }
  | { readonly type: 'where'; readonly where: string }
  | { readonly type: 'shown'; readonly shown: string }
  | { readonly type: 'open'; readonly what: RunViewState['open'] }
  | MarkingAction;

/** Further apart than this, a clock was set and no answer was late. */
const CLOCK_SET_ms = 5000;

/** An answer that comes late tells a skew too small and never too large: the largest told holds, unless a clock was set. */
const steadied = (known_ms: number, told_ms: number): number =>
  Math.abs(told_ms - known_ms) > CLOCK_SET_ms ? told_ms : Math.max(known_ms, told_ms);

export function reduce(state: RunViewState, action: RunAction): RunViewState {
  switch (action.type) {
    case 'wrote':
      return { ...state, unsent: [...state.unsent, action.entry], early: false, shown: '', error: null };
    case 'acknowledged':
      return {
        ...state,
        events: action.events,
        unsent: state.unsent.filter((u) => u.clientId !== action.clientId),
        skew_ms: steadied(state.skew_ms, action.skew_ms),
        offline: false,
      };
    case 'opened':
      return { ...state, events: action.events, skew_ms: action.skew_ms };
    case 'caught-up':
      return {
        ...state,
        events: action.events,
        skew_ms: steadied(state.skew_ms, action.skew_ms),
        offline: false,
      };
    case 'refused':
      return {
        ...state,
        unsent: [],
        events: action.events ?? state.events,
        error: action.error,
        offline: false,
      };
    case 'offline':
      return { ...state, offline: true };
    case 'restored':
      return { ...state, unsent: [...action.unsent, ...state.unsent] };
    case 'early':
      return { ...state, early: true };
    case 'where':
      return { ...state, where: action.where };
    case 'shown':
      return { ...state, shown: action.shown, early: false };
    case 'open':
      return { ...state, open: action.what };
    default:
      return reduceMarking(state, action);
  }
}

/** Where the job stands with this screen's unsent entries counted in. */
export function standing(state: RunViewState, steps: readonly Pick<RunStep, 'id'>[]): RunState {
  const last = state.events.at(-1)?.seq ?? 0;
  const provisional = state.unsent.map((u, i): RunEvent => ({
    ...(u.event as RunEventBody),
    seq: last + 1 + i,
    at_ms: u.at_ms,
    by: u.by,
  }));
  return runState(steps, [...state.events, ...provisional]);
}
