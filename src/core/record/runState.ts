import type { RunEvent } from './runEvents';

/** What pads under heat together are called. */
export const TOGETHER = 'all';

/** One touch of the iron, as logged. */
export interface Dwell {
  readonly stepId: string;
  readonly pad: string;
  readonly onSeq: number;
  readonly on_ms: number;
  readonly melted_s: number | null;
  readonly off_s: number | null;
  readonly meltedSeq: number | null;
  readonly exposure: {
    readonly padDose: number;
    readonly laminateDose: number;
    readonly peak_C: number;
  } | null;
}

/** Where a job stands, read from its entries alone. */
export interface RunState {
  readonly status: 'running' | 'closed';
  readonly stepIndex: number;
  /** When the current step became current: its clock runs from here. */
  readonly stepStart_ms: number;
  readonly doneSteps: ReadonlySet<string>;
  readonly dwells: readonly Dwell[];
  readonly heating: Dwell | null;
  readonly outcome: string | null;
  readonly lastSeq: number;
}

/** Folds a job's entries, in order, into where it stands. `stepIds` are the accepted plan's. */
export function runState(stepIds: readonly string[], events: readonly RunEvent[]): RunState {
  let state: RunState = {
    status: 'running',
    stepIndex: 0,
    stepStart_ms: events[0]?.at_ms ?? 0,
    doneSteps: new Set(),
    dwells: [],
    heating: null,
    outcome: null,
    lastSeq: 0,
  };
  for (const event of events) state = { ...apply(state, event, stepIds), lastSeq: event.seq };
  return state;
}

function apply(state: RunState, event: RunEvent, stepIds: readonly string[]): RunState {
  switch (event.kind) {
    case 'opened':
      return { ...state, stepStart_ms: event.at_ms };
    case 'step-done': {
      const index = stepIds.indexOf(event.stepId);
      return {
        ...state,
        doneSteps: new Set([...state.doneSteps, event.stepId]),
        stepIndex: Math.max(state.stepIndex, index + 1),
        stepStart_ms: event.at_ms,
      };
    }
    case 'step-back': {
      const done = new Set(state.doneSteps);
      const index = stepIds.indexOf(event.stepId);
      stepIds.slice(index).forEach((id) => done.delete(id));
      return { ...state, doneSteps: done, stepIndex: index, stepStart_ms: event.at_ms };
    }
    case 'heat-on': {
      const dwell: Dwell = {
        stepId: event.stepId,
        pad: event.pad,
        onSeq: event.seq,
        on_ms: event.at_ms,
        melted_s: null,
        off_s: null,
        meltedSeq: null,
        exposure: null,
      };
      return { ...state, heating: dwell, dwells: [...state.dwells, dwell] };
    }
    case 'melted':
      return withLastDwell(state, event.pad, (d) => ({
        ...d,
        melted_s: event.elapsed_s,
        meltedSeq: event.seq,
      }));
    case 'heat-off':
      return { ...withLastDwell(state, event.pad, (d) => ({ ...d, off_s: event.elapsed_s })), heating: null };
    case 'exposure': {
      const { padDose, laminateDose, peak_C } = event;
      // Pads heated together have an entry each; the heating keeps the worst of them.
      const together = state.dwells.at(-1)?.pad === TOGETHER;
      return withLastDwell(state, together ? TOGETHER : event.pad, (d) =>
        d.exposure && d.exposure.padDose >= padDose
          ? d
          : { ...d, exposure: { padDose, laminateDose, peak_C } },
      );
    }
    case 'correction':
      return {
        ...state,
        dwells: state.dwells.map((d) =>
          d.meltedSeq === event.ofSeq ? { ...d, melted_s: event.elapsed_s } : d,
        ),
      };
    case 'closed':
      return { ...state, status: 'closed', outcome: event.outcome, heating: null };
    case 'note':
      return state;
  }
}

function withLastDwell(state: RunState, pad: string, change: (dwell: Dwell) => Dwell): RunState {
  const at = state.dwells.findLastIndex((d) => d.pad === pad);
  if (at < 0) return state;
  const changed = change(state.dwells[at]!);
  return {
    ...state,
    dwells: state.dwells.map((d, i) => (i === at ? changed : d)),
    heating: state.heating?.onSeq === changed.onSeq ? changed : state.heating,
  };
}

/** Doses of finished jobs and running ones, summed by pad; the laminate's by its worst pad. */
export function spentDoses(jobs: readonly (readonly RunEvent[])[]): {
  padDose: Record<string, number>;
  laminateDose: number;
} {
  const padDose: Record<string, number> = {};
  const laminate: Record<string, number> = {};
  for (const event of jobs.flat()) {
    if (event.kind !== 'exposure') continue;
    padDose[event.pad] = (padDose[event.pad] ?? 0) + event.padDose;
    laminate[event.pad] = (laminate[event.pad] ?? 0) + event.laminateDose;
  }
  return { padDose, laminateDose: Math.max(0, ...Object.values(laminate)) };
}

/**
 * What may follow where a job stands; null when the entry is allowed, else why not and what to do.
 * The server asks this before it appends, so that two screens cannot write a story that never was.
 */
export function refusal(
  state: RunState,
  stepIds: readonly string[],
  event: { kind: string; stepId?: string; pad?: string },
): string | null {
  if (state.status === 'closed' && event.kind !== 'note')
    return 'the job is closed; open a new plan for more work';
  const current = stepIds[state.stepIndex];
  switch (event.kind) {
    case 'heat-on':
      if (state.heating) return `pin ${state.heating.pad} is still under heat; take it off first`;
      return event.stepId === current
        ? null
        : `the job stands at step "${current ?? 'end'}"; reload to see it`;
    case 'melted':
      if (!state.heating || state.heating.pad !== event.pad) return `pin ${event.pad} is not under heat`;
      return state.heating.melted_s === null
        ? null
        : 'its melt is logged already; correct that entry instead';
    case 'heat-off':
      return state.heating?.pad === event.pad ? null : `pin ${event.pad} is not under heat`;
    case 'step-done':
      if (state.heating) return `pin ${state.heating.pad} is still under heat; take it off first`;
      return event.stepId === current
        ? null
        : `the job stands at step "${current ?? 'end'}"; reload to see it`;
    case 'step-back': {
      if (state.heating) return `pin ${state.heating.pad} is still under heat; take it off first`;
      const index = stepIds.indexOf(event.stepId ?? '');
      return index >= 0 && index < state.stepIndex ? null : 'only an earlier step can be gone back to';
    }
    case 'closed':
      return state.heating ? `pin ${state.heating.pad} is still under heat; take it off first` : null;
    default:
      return null;
  }
}
