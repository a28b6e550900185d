import type { RunState } from './runState';

/** A clock that runs on a board, whoever looks at it. */
export interface Clock {
  readonly kind: 'heat' | 'wait';
  readonly label: string;
  readonly started_ms: number;
  /** Stop of a heat, end of a wait. */
  readonly due_ms: number;
}

interface ClockStep {
  readonly title: string;
  readonly kind: string;
  readonly wait_s: number | null;
  readonly dwell: { readonly stop_s: number } | null;
}

/** The clock of a job, if its current step has one running. */
export function clockOf(state: RunState, steps: readonly ClockStep[]): Clock | null {
  const step = steps[state.stepIndex];
  if (state.status === 'closed' || !step) return null;
  if (state.heating && step.dwell) {
    const { on_ms } = state.heating;
    return { kind: 'heat', label: step.title, started_ms: on_ms, due_ms: on_ms + step.dwell.stop_s * 1e3 };
  }
  if (step.kind === 'wait' && step.wait_s !== null) {
    return {
      kind: 'wait',
      label: step.title,
      started_ms: state.stepStart_ms,
      due_ms: state.stepStart_ms + step.wait_s * 1e3,
    };
  }
  return null;
}
