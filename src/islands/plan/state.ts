import { phasesOf, type Goal, type Phase } from '~/core/method/goals';
import type { StepEdit } from '~/core/method/steps/edits';
import type { Worth } from '~/core/method/request';
import { choiceOfOption, choicesIn } from '~/schema/exchange/plan/optionChoice';
import type { MoistureInput } from '~/schema/values/moisture';
import type {
  FoundAnswer,
  MethodAnswer,
  OptionAnswer,
  PinAnswer,
  PlanAnswer,
} from '~/schema/exchange/plan/planAnswer';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';
import type { PlanDraft } from './draft';
import type { CurveAnswer, ProgressMessage } from '~/workers/protocol';
import { dequal } from 'dequal';

type Search =
  | {
      readonly status: 'running';
      readonly done: number;
      readonly of: number;
      /** Nothing will do: what could be changed is being solved. */
      readonly remedies?: boolean;
    }
  | { readonly status: 'done'; readonly answer: PlanAnswer }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly message: string };

type Exploration =
  | { readonly status: 'idle' }
  | { readonly status: 'running' }
  | { readonly status: 'done'; readonly answer: FoundAnswer }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly message: string };

/** What is known of one phase for the settings at hand. */
export interface PhaseState {
  readonly frontier: readonly OptionAnswer[];
  /** The setting at hand at nominal values: its point beside the frontier. */
  readonly option: OptionAnswer | null;
  readonly curves: readonly CurveAnswer[];
  readonly pins: Readonly<Record<string, PinAnswer>>;
  /** Pins whose figures still belong to an earlier setting: shown faded, never judged by. */
  readonly stale: ReadonlySet<string>;
}

const EMPTY: PhaseState = { frontier: [], option: null, curves: [], pins: {}, stale: new Set() };

export interface PlanState {
  readonly goal: Goal;
  readonly worth: Worth;
  readonly mates: readonly string[];
  /** Null: the part's moisture level is not known. */
  readonly moisture: MoistureInput | null;
  /** The phase that is looked at. */
  readonly phase: Phase;
  /** What is set on the bench now, phase by phase; empty until the search has a first proposal. */
  readonly choices: readonly ChoiceInput[];
  /** Set by hand: the search's later word does not move it. */
  readonly byHand: boolean;
  readonly search: Search;
  readonly exploration: Exploration;
  readonly phases: Readonly<Partial<Record<Phase, PhaseState>>>;
  readonly pad: string;
  readonly edits: readonly StepEdit[];
  /** The steps were changed by hand: a workshop's habit does not replace them. */
  readonly edited: boolean;
  readonly accepting: boolean;
  readonly error: unknown;
}

export type PlanAction =
  | { readonly type: 'goal'; readonly goal: Goal }
  | { readonly type: 'worth'; readonly worth: Worth }
  | { readonly type: 'mates'; readonly mates: readonly string[] }
  | { readonly type: 'moisture'; readonly moisture: MoistureInput | null }
  | { readonly type: 'phase'; readonly phase: Phase }
  | { readonly type: 'set'; readonly choice: ChoiceInput; readonly frontier?: readonly OptionAnswer[] }
  /** Halves of the job that the search set nothing for. */
  | { readonly type: 'begun'; readonly choices: readonly ChoiceInput[] }
  | { readonly type: 'pad'; readonly pad: string }
  | { readonly type: 'search-progress'; readonly progress: ProgressMessage }
  | { readonly type: 'search-done'; readonly answer: PlanAnswer }
  | { readonly type: 'search-failed'; readonly message: string }
  | { readonly type: 'explore-started' }
  | { readonly type: 'explore-progress'; readonly progress: ProgressMessage }
  | { readonly type: 'explore-done'; readonly answer: FoundAnswer }
  | { readonly type: 'explore-failed'; readonly message: string }
  | { readonly type: 'edits'; readonly edits: readonly StepEdit[] }
  | { readonly type: 'habit'; readonly edits: readonly StepEdit[] }
  | { readonly type: 'restored'; readonly draft: PlanDraft }
  | { readonly type: 'stopped' }
  | { readonly type: 'accepting' }
  | { readonly type: 'accept-failed'; readonly error: unknown };

export const start = (goal: Goal, pad: string, mates: readonly string[] = []): PlanState => ({
  goal,
  worth: 'ordinary',
  mates,
  moisture: null,
  phase: phasesOf(goal)[0],
  choices: [],
  byHand: false,
  search: { status: 'running', done: 0, of: 1 },
  exploration: { status: 'idle' },
  phases: {},
  pad,
  edits: [],
  edited: false,
  accepting: false,
  error: null,
});

export function reduce(state: PlanState, action: PlanAction): PlanState {
  switch (action.type) {
    case 'goal':
      return { ...restarted({ ...state, goal: action.goal }) };
    case 'worth':
      return { ...restarted(state), worth: action.worth };
    case 'mates':
      return { ...restarted(state), mates: action.mates };
    case 'moisture':
      return { ...restarted(state), moisture: action.moisture };
    case 'phase':
      return { ...state, phase: action.phase };
    case 'set':
      return set(state, action.choice, action.frontier);
    case 'begun':
      return { ...state, choices: [...state.choices, ...action.choices] };
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
      return exploreDone(state, action.answer);
    case 'explore-failed':
      return { ...state, exploration: { status: 'failed', message: action.message } };
    case 'edits':
      return { ...state, edits: action.edits, edited: true };
    case 'habit':
      return state.edited ? state : { ...state, edits: action.edits };
    case 'restored':
      return restored(state, action.draft);
    case 'stopped':
      return {
        ...state,
        search: state.search.status === 'running' ? { status: 'stopped' } : state.search,
        exploration: state.exploration.status === 'done' ? state.exploration : { status: 'stopped' },
      };
    case 'accepting':
      return { ...state, accepting: true, error: null };
    case 'accept-failed':
      return { ...state, accepting: false, error: action.error };
  }
}

/** A plan as it was before a reload; what was set by hand is solved again. */
function restored(state: PlanState, { goal, worth, mates, moisture, choices, edits }: PlanDraft): PlanState {
  const begun: PlanState = {
    ...start(goal, state.pad, mates),
    worth,
    moisture,
    edits: edits ?? [],
    edited: edits !== null,
  };
  return choices.length === 0 ? begun : { ...begun, choices, byHand: true };
}

const restarted = (state: PlanState): PlanState => ({
  ...start(state.goal, state.pad, state.mates),
  worth: state.worth,
  moisture: state.moisture,
  edits: state.edits,
  edited: state.edited,
});

export const phaseOf = (state: PlanState, phase: Phase = state.phase): PhaseState =>
  state.phases[phase] ?? EMPTY;

/** What is set for the phase that is looked at. */
export const choiceAt = (state: PlanState, phase: Phase = state.phase): ChoiceInput | null =>
  state.choices.find((c) => c.phase === phase) ?? null;

/** Whether what is set still waits for its bands: the search proves its own choice itself. */
export const wantsProof = (state: PlanState): boolean =>
  isComplete(state) &&
  // Whoever stopped it wants nothing computed until something changes.
  state.exploration.status !== 'stopped' &&
  (state.byHand ||
    (state.search.status !== 'running' &&
      !(state.search.status === 'done' && state.search.answer.outcome === 'found')));

/** Whether anything is being computed. */
export const isBusy = ({ search, exploration }: PlanState): boolean =>
  search.status === 'running' || exploration.status === 'running';

/** Whether every phase of the goal has something set. */
export const isComplete = (state: PlanState): boolean =>
  phasesOf(state.goal).every((phase) => choiceAt(state, phase) !== null);

function set(state: PlanState, choice: ChoiceInput, frontier?: readonly OptionAnswer[]): PlanState {
  const changed = outdated(withPhase(state, choice.phase, frontier ? { frontier } : {}));
  return { ...changed, choices: withChoice(state, choice), byHand: true, error: null };
}

const withChoice = (state: PlanState, choice: ChoiceInput): ChoiceInput[] => [
  ...state.choices.filter((c) => c.phase !== choice.phase),
  choice,
];

const withPhase = (state: PlanState, phase: Phase, part: Partial<PhaseState>): PlanState => ({
  ...state,
  phases: { ...state.phases, [phase]: { ...phaseOf(state, phase), ...part } },
});

/** The state once its settings have changed under it: everything computed is of earlier ones. */
function outdated(state: PlanState): PlanState {
  const phases = Object.fromEntries(
    Object.entries(state.phases).map(([phase, p]) => [phase, { ...p, stale: new Set(Object.keys(p.pins)) }]),
  );
  return { ...state, phases, exploration: { status: 'running' } };
}

/** Pins whose figures are of the setting at hand. */
export const freshPins = (state: PlanState, phase: Phase = state.phase): PinAnswer[] => {
  const { pins, stale } = phaseOf(state, phase);
  return Object.values(pins).filter((pin) => !stale.has(pin.pad));
};

function searchProgress(state: PlanState, progress: ProgressMessage): PlanState {
  switch (progress.stage) {
    case 'search':
    case 'remedies': {
      const remedies = progress.stage === 'remedies';
      return { ...state, search: { status: 'running', done: progress.done, of: progress.of, remedies } };
    }
    case 'first': {
      const next = withPhase(state, progress.phase, { frontier: progress.frontier });
      if (state.byHand) return next;
      const choice = choiceOfOption(progress.phase, progress.option);
      // Bands of a setting that was given up are not this one's.
      const other = !dequal(choice, choiceAt(state, progress.phase));
      return {
        ...withPhase(next, progress.phase, {
          option: progress.option,
          ...(other ? { pins: {}, stale: new Set<string>() } : {}),
        }),
        choices: withChoice(state, choice),
      };
    }
    case 'band':
    case 'curves':
      return state.byHand ? state : exploreProgress(state, progress);
    default:
      return state;
  }
}

function searchDone(state: PlanState, answer: PlanAnswer): PlanState {
  const done: PlanState = { ...state, search: { status: 'done', answer } };
  switch (answer.outcome) {
    case 'found': {
      const phases = [answer, ...answer.then].reduce(
        (s, p) =>
          p.frontier.length > 0 && !state.byHand ? withPhase(s, p.phase, { frontier: p.frontier }) : s,
        done,
      );
      // What the search proved needs no second proof.
      return state.byHand ? phases : exploreDone({ ...phases, choices: choicesIn(answer) }, answer);
    }
    case 'no-feasible-setting': {
      const next = withPhase(done, answer.phase, { frontier: [] });
      if (state.byHand || !answer.nearest) return next;
      return {
        ...next,
        phase: answer.phase,
        choices: withChoice(state, choiceOfOption(answer.phase, answer.nearest)),
      };
    }
    case 'not-converged':
      return done;
  }
}

function exploreProgress(state: PlanState, progress: ProgressMessage): PlanState {
  switch (progress.stage) {
    case 'curves':
      return withPhase(state, progress.phase, { curves: progress.curves });
    case 'first':
      return withPhase(state, progress.phase, { option: progress.option });
    case 'band': {
      const { pins, stale } = phaseOf(state, progress.phase);
      return withPhase(state, progress.phase, {
        pins: { ...pins, [progress.pin.pad]: progress.pin },
        stale: new Set([...stale].filter((pad) => pad !== progress.pin.pad)),
      });
    }
    default:
      return state;
  }
}

function exploreDone(state: PlanState, answer: FoundAnswer): PlanState {
  const done: PlanState = { ...state, exploration: { status: 'done', answer } };
  return [answer, ...answer.then].reduce(
    (s, p) =>
      withPhase(s, p.phase, {
        pins: Object.fromEntries(p.pins.map((pin) => [pin.pad, pin])),
        stale: new Set(),
      }),
    done,
  );
}

/** Methods as the search ranked them for a phase; empty until it is done. */
export function methodsAt(state: PlanState, phase: Phase = state.phase): readonly MethodAnswer[] {
  if (state.search.status !== 'done') return [];
  const { answer } = state.search;
  switch (answer.outcome) {
    case 'found':
      return [answer, ...answer.then].find((p) => p.phase === phase)?.methods ?? [];
    case 'no-feasible-setting':
      return answer.phase === phase ? answer.methods : [];
    case 'not-converged':
      return [];
  }
}

/** The two ends of the frontier, where the schools stand. */
export const lowAndLong = (frontier: readonly OptionAnswer[]): OptionAnswer | null => frontier[0] ?? null;
export const hotAndQuick = (frontier: readonly OptionAnswer[]): OptionAnswer | null =>
  frontier.at(-1) ?? null;

/** The point of the frontier before or after the one at hand, or the nearest end. */
export function alongFrontier(
  frontier: readonly OptionAnswer[],
  option: OptionAnswer | null,
  by: 1 | -1,
): OptionAnswer | null {
  if (frontier.length === 0) return null;
  const time = option?.liftFrom_s ?? frontier[0]!.liftFrom_s!;
  const at = frontier.reduce(
    (best, o, i) =>
      Math.abs(o.liftFrom_s! - time) < Math.abs(frontier[best]!.liftFrom_s! - time) ? i : best,
    0,
  );
  const same = option !== null && isSame(frontier[at]!, option);
  const next = same ? at + by : at;
  return frontier[Math.min(frontier.length - 1, Math.max(0, next))]!;
}

const isSame = (a: OptionAnswer, b: OptionAnswer): boolean =>
  a.toolId === b.toolId && a.setpoint_C === b.setpoint_C && dequal(setApart(a), setApart(b));

const setApart = (o: OptionAnswer): unknown[] => [
  o.tip,
  o.nozzle,
  o.preheat,
  o.flow_L_min,
  o.standoff_mm,
  o.perPad_C,
];

/** What the chosen setting comes to, for the line above the windows. */
export type Verdict = 'computing' | 'clear' | 'doubtful';

export function verdictOf(pins: readonly PinAnswer[], wanted: number): Verdict {
  if (pins.length < wanted) return 'computing';
  return pins.every((pin) => pin.sure) ? 'clear' : 'doubtful';
}
