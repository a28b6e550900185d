import { SIGN_FIRST } from '~/ui/preferences';
import { useState, type Dispatch } from 'react';
import { phasesOf } from '~/core/method/goals';
import { methodOf } from '~/core/method/ways';
import type { PlanSheet } from '~/schema/sheets/planSheet';
import type { StepHabit } from '~/schema/records/jobs/stepHabit';
import { postJson } from '~/ui/api';
import { dropDraft } from './draft';
import { choiceAt, type PlanAction, type PlanState } from './state';

/** What a plan writes: the job it becomes, and the workshop's own steps. */
export function useAccepting(
  sheet: PlanSheet,
  state: PlanState,
  by: string,
  dispatch: Dispatch<PlanAction>,
): {
  readonly accept: () => boolean;
  readonly keep: () => void;
  readonly habits: readonly StepHabit[];
  /** What came of keeping the steps; null while nothing was kept. */
  readonly kept: string | null;
  readonly forget: () => void;
} {
  const [habits, setHabits] = useState(sheet.habits);
  const [kept, setKept] = useState<string | null>(null);

  const accept = (): boolean => {
    if (state.choices.length === 0 || state.exploration.status !== 'done' || state.accepting) return false;
    if (!by) {
      dispatch({ type: 'accept-failed', error: new Error(SIGN_FIRST) });
      return true;
    }
    dispatch({ type: 'accepting' });
    postJson<{ jobId: string }>('/api/jobs', {
      siteId: sheet.site.id,
      by,
      goal: state.goal,
      worth: state.worth,
      mates: state.mates,
      moisture: state.moisture,
      inputsKey: sheet.inputsKey,
      choices: phasesOf(state.goal).map((phase) => choiceAt(state, phase)),
      edits: state.edits,
    }).then(
      ({ jobId }) => {
        dropDraft(sessionStorage, sheet.site.id);
        window.location.href = `/jobs/${jobId}`;
      },
      (error: unknown) => dispatch({ type: 'accept-failed', error }),
    );
    return true;
  };

  const keep = (): void => {
    const method = choiceAt(state)?.method;
    if (!method) return;
    if (!by) {
      setKept(SIGN_FIRST);
      return;
    }
    const revision = habits.find((h) => h.method === method)?.revision ?? 0;
    postJson<StepHabit>('/api/step-habits', { method, edits: state.edits, by, revision }).then(
      (written) => {
        setHabits((all) => [...all.filter((h) => h.method !== method), written]);
        setKept(`Kept for every plan that goes by “${methodOf(method).name}”.`);
      },
      (error: unknown) =>
        setKept(error instanceof Error ? error.message : 'It could not be kept; try again.'),
    );
  };

  return { accept, keep, habits, kept, forget: () => setKept(null) };
}
