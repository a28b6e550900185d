import type { RunEvent } from '~/core/record/runEvents';
import { runState, type RunState, type RunStep } from '~/core/record/runState';
import type { UnsentEntry } from '~/schema/records/jobs/unsent';
import {
  acknowledged,
  added,
  dropped,
  enteredAgain,
  provisional,
  refused,
  restored,
  type Outbox,
  type Refused,
} from './outbox';
import type { SupplyTyped } from './shown';
import { reduceMarking, type Marking, type MarkingAction } from '~/islands/findings/marking';

export interface RunViewState extends Marking, Outbox {
  readonly events: readonly RunEvent[];
  /** How far the server's clock is ahead of this screen's. */
  readonly skew_ms: number;
  /** Something that stands against going on was passed over once; the second press means it. */
  readonly early: boolean;
  /** Where the part that comes off in this step will lie. */
  readonly where: string;
  /** What the station's display shows, as typed. */
  readonly shown: string;
  /** What was read a second time, as typed. */
  readonly again: string;
  /** What was read of the supply before first power, as typed. */
  readonly supply: SupplyTyped;
  readonly open: 'nothing' | 'note' | 'why' | 'close' | 'take-back';
  /** Why what is unsent waits; null while nothing keeps it. */
  readonly waits: string | null;
}

export type RunAction =
  | { readonly type: 'wrote'; readonly entry: UnsentEntry }
  | {
      readonly type: 'acknowledged';
      readonly clientId: string;
      readonly events: readonly RunEvent[];
      readonly skew_ms: number;
    }
  | { readonly type: 'caught-up'; readonly events: readonly RunEvent[]; readonly skew_ms: number }
  | { readonly type: 'opened'; readonly events: readonly RunEvent[]; readonly skew_ms: number }
  | { readonly type: 'refused'; readonly steps: readonly RunStep[]; readonly why: Refused }
  | { readonly type: 'waits'; readonly because: string }
  | { readonly type: 'restored'; readonly kept: Outbox }
  | { readonly type: 'again'; readonly clientId: string; readonly newId: string }
  | { readonly type: 'drop'; readonly clientId: string }
  | { readonly type: 'early' }
  | { readonly type: 'where'; readonly where: string }
  | { readonly type: 'shown'; readonly shown: string }
  | { readonly type: 'shown-again'; readonly again: string }
  | { readonly type: 'supply'; readonly typed: Partial<SupplyTyped> }
  | { readonly type: 'open'; readonly what: RunViewState['open'] }
  | MarkingAction;

/** Further apart than this, a clock was set and no answer was late. */
const CLOCK_SET_ms = 5000;

/** Whether something is under heat, by what was written and what was pressed. */
function underHeat({ events, unsent }: Pick<RunViewState, 'events' | 'unsent'>): boolean {
  const kinds = [...events.map(({ kind }) => kind), ...unsent.map(({ event }) => event.kind)];
  return kinds.lastIndexOf('heat-on') > kinds.lastIndexOf('heat-off');
}

/**
 * An answer that comes late tells a skew too small and never too large: the largest told holds, unless a clock was set. One
 * that is set while something is under heat is left alone until that is off: its stop must not wait for it.
 */
function steadied(state: RunViewState, told_ms: number): number {
  const known_ms = state.skew_ms;
  if (Math.abs(told_ms - known_ms) <= CLOCK_SET_ms) return Math.max(known_ms, told_ms);
  return underHeat(state) ? known_ms : told_ms;
}

/** Entries are only ever added: of two answers that crossed, the longer is the later. */
const later = (known: readonly RunEvent[], told: readonly RunEvent[]): readonly RunEvent[] =>
  (told.at(-1)?.seq ?? 0) >= (known.at(-1)?.seq ?? 0) ? told : known;

export function reduce(state: RunViewState, action: RunAction): RunViewState {
  switch (action.type) {
    case 'wrote':
      return { ...state, ...added(state, action.entry), early: false, shown: '', again: '', error: null };
    case 'acknowledged':
      return {
        ...state,
        events: later(state.events, action.events),
        ...acknowledged(state, action.clientId),
        skew_ms: steadied(state, action.skew_ms),
        waits: null,
      };
    case 'opened':
      return { ...state, events: later(state.events, action.events), skew_ms: action.skew_ms };
    case 'caught-up':
      return {
        ...state,
        events: later(state.events, action.events),
        skew_ms: steadied(state, action.skew_ms),
        waits: null,
      };
    case 'refused':
      return {
        ...state,
        ...refused(state, action.steps, action.why),
        events: action.why.kind === 'others-first' ? later(state.events, action.why.events) : state.events,
        waits: null,
      };
    case 'waits':
      return { ...state, waits: action.because };
    case 'restored':
      return { ...state, ...restored(state, action.kept) };
    case 'again':
      return { ...state, ...enteredAgain(state, action.clientId, action.newId) };
    case 'drop':
      return { ...state, ...dropped(state, action.clientId) };
    case 'early':
      return { ...state, early: true };
    case 'where':
      return { ...state, where: action.where };
    case 'shown':
      return { ...state, shown: action.shown, early: false };
    case 'shown-again':
      return { ...state, again: action.again, early: false };
    case 'supply':
      return { ...state, supply: { ...state.supply, ...action.typed }, early: false };
    case 'open':
      return { ...state, open: action.what };
    default:
      return reduceMarking(state, action);
  }
}

/** Where the job stands with this screen's unsent entries counted in. */
export function standing(
  state: Pick<RunViewState, 'events' | 'unsent'>,
  steps: readonly Pick<RunStep, 'id'>[],
): RunState {
  const events = [...state.events];
  for (const entry of state.unsent) events.push(provisional(entry, events));
  return runState(steps, events);
}
