import type { Goal } from '~/core/method/request';
import type { FoundAnswer, OptionAnswer, PinAnswer, PlanAnswer } from '~/schema/planAnswer';
import type { SettingInput } from '~/schema/planRequest';
import type { CurveAnswer, ProgressMessage } from '~/workers/protocol';

export type Search =
  | { readonly status: 'running'; readonly done: number; readonly of: number }
  | { readonly status: 'done'; readonly answer: PlanAnswer }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly message: string };

export type Exploration =
  | { readonly status: 'idle' }
  | { readonly status: 'running' }
  | { readonly status: 'done'; readonly answer: FoundAnswer }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly message: string };

export interface PlanState {
  readonly goal: Goal;
  /** What is set on the bench now; null until the search has a first proposal. */
  readonly setting: SettingInput | null;
  /** Set by hand: the search's later word does not move it. */
  readonly byHand: boolean;
  readonly search: Search;
  readonly frontier: readonly OptionAnswer[];
  readonly exploration: Exploration;
  /** The setting at hand at nominal values: its point beside the frontier. */
  readonly option: OptionAnswer | null;
  readonly curves: readonly CurveAnswer[];
  readonly pins: Readonly<Record<string, PinAnswer>>;
  /** Pins whose figures still belong to an earlier setting: shown faded, never judged by. */
  readonly stale: ReadonlySet<string>;
  readonly pad: string;
  readonly accepting: boolean;
  readonly error: unknown;
}

export type PlanAction =
  | { readonly type: 'goal'; readonly goal: Goal }
  | { readonly type: 'set'; readonly setting: SettingInput }
  | { readonly type: 'pad'; readonly pad: string }
  | { readonly type: 'search-progress'; readonly progress: ProgressMessage }
  | { readonly type: 'search-done'; readonly answer: PlanAnswer }
  | { readonly type: 'search-failed'; readonly message: string }
  | { readonly type: 'explore-started' }
  | { readonly type: 'explore-progress'; readonly progress: ProgressMessage }
  | { readonly type: 'explore-done'; readonly answer: FoundAnswer }
  | { readonly type: 'explore-failed'; readonly message: string }
  | { readonly type: 'stopped' }
  | { readonly type: 'accepting' }
  | { readonly type: 'accept-failed'; readonly error: unknown };

export const start = (goal: Goal, pad: string): PlanState => ({
  goal,
  setting: null,
  byHand: false,
  search: { status: 'running', done: 0, of: 1 },
  frontier: [],
  exploration: { status: 'idle' },
  option: null,
  curves: [],
  pins: {},
  stale: new Set(),
  pad,
  accepting: false,
  error: null,
});

export function reduce(state: PlanState, action: PlanAction): PlanState {
  switch (action.type) {
    case 'goal':
      return { ...start(action.goal, state.pad) };
    case 'set':
      return { ...outdated(state), setting: action.setting, byHand: true, error: null };
    case 'pad':
      return { ...state, pad: action.pad };
    case 'search-progress':
      return searchProgress(state, action.progress);
    case 'search-done':
      return searchDone(state, action.answer);
    case 'search-failed':
      return { ...state, search: { status: 'failed', message: action.message } };
    case 'explore-started':
      return outdated(state);
    case 'explore-progress':
      return exploreProgress(state, action.progress);
    case 'explore-done':
      return {
        ...state,
        exploration: { status: 'done', answer: action.answer },
        pins: Object.fromEntries(action.answer.pins.map((pin) => [pin.pad, pin])),
        stale: new Set(),
      };
    case 'explore-failed':
      return { ...state, exploration: { status: 'failed', message: action.message } };
    case 'stopped':
      return {
        ...state,
        search: state.search.status === 'running' ? { status: 'stopped' } : state.search,
        exploration: state.exploration.status === 'running' ? { status: 'stopped' } : state.exploration,
      };
    case 'accepting':
      return { ...state, accepting: true, error: null };
    case 'accept-failed':
      return { ...state, accepting: false, error: action.error };
  }
}

/** The state once its setting has changed under it: everything computed is of an earlier one. */
const outdated = (state: PlanState): PlanState => ({
  ...state,
  exploration: { status: 'running' },
  stale: new Set(Object.keys(state.pins)),
});

/** Pins whose figures are of the setting at hand. */
export const freshPins = (state: PlanState): PinAnswer[] =>
  Object.values(state.pins).filter((pin) => !state.stale.has(pin.pad));

function searchProgress(state: PlanState, progress: ProgressMessage): PlanState {
  switch (progress.stage) {
    case 'search':
      return { ...state, search: { status: 'running', done: progress.done, of: progress.of } };
    case 'first':
      return {
        ...state,
        frontier: progress.frontier,
        setting: state.setting ?? settingOfOption(progress.option),
      };
    default:
      return state;
  }
}

function searchDone(state: PlanState, answer: PlanAnswer): PlanState {
  const done: PlanState = { ...state, search: { status: 'done', answer } };
  switch (answer.outcome) {
    case 'found':
      return {
        ...done,
        frontier: answer.frontier,
        setting: state.byHand ? state.setting : settingOfOption(answer.chosen),
      };
    case 'no-feasible-setting':
      return {
        ...done,
        frontier: [],
        setting: state.byHand ? state.setting : settingOfOption(answer.nearest),
      };
    case 'not-converged':
      return done;
  }
}

function exploreProgress(state: PlanState, progress: ProgressMessage): PlanState {
  switch (progress.stage) {
    case 'curves':
      return { ...state, curves: progress.curves };
    case 'first':
      return { ...state, option: progress.option };
    case 'band':
      return {
        ...state,
        pins: { ...state.pins, [progress.pin.pad]: progress.pin },
        stale: new Set([...state.stale].filter((pad) => pad !== progress.pin.pad)),
      };
    default:
      return state;
  }
}

export const settingOfOption = (option: OptionAnswer): SettingInput => ({
  ironId: option.toolId,
  tip: option.tip,
  setpoint_C: option.setpoint_C,
  preheat: option.preheat && { ...option.preheat, setpoint_C: Math.round(option.preheat.setpoint_C) },
  fluxed: option.fluxed,
  freshSolder: option.freshSolder,
});

/** The two ends of the frontier, where the schools stand. */
export const lowAndLong = (frontier: readonly OptionAnswer[]): OptionAnswer | null => frontier[0] ?? null;
export const hotAndQuick = (frontier: readonly OptionAnswer[]): OptionAnswer | null =>
  frontier.at(-1) ?? null;

/** What the chosen setting comes to, for the line above the windows. */
export type Verdict = 'computing' | 'clear' | 'doubtful';

export function verdictOf(pins: readonly PinAnswer[], wanted: number): Verdict {
  if (pins.length < wanted) return 'computing';
  return pins.every((pin) => pin.sure) ? 'clear' : 'doubtful';
}
