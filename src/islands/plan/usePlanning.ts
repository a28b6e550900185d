import { useEffect, useRef, type Dispatch } from 'react';
import type { PlanAsk } from '~/schema/exchange/plan/planAsk';
import { JobClient } from '~/workers/jobClient';
import { wantsProof, type PlanAction, type PlanState } from './state';

/** Waits for a hand on the slider to rest before drawing bands again. */
const REST_ms = 60;

/** Asks the planner for two things at a time: to search the bench, and to follow the setting at hand. A new ask cancels old work. */
export function usePlanning(
  ask: Extract<PlanAsk, { kind: 'plan' }>,
  state: PlanState,
  dispatch: Dispatch<PlanAction>,
): { stop: () => void } {
  const search = useRef<JobClient<'plan'> | null>(null);
  const explore = useRef<JobClient<'explore'> | null>(null);
  const { choices } = state;
  const wanted = wantsProof(state);

  useEffect(() => {
    search.current ??= new JobClient<'plan'>();
    search.current.solve(ask, {
      onProgress: (progress) => dispatch({ type: 'search-progress', progress }),
      onDone: (answer) => dispatch({ type: 'search-done', answer }),
      onFailed: (message) => dispatch({ type: 'search-failed', message }),
    });
  }, [ask, dispatch]);

  useEffect(() => {
    if (!wanted) return;
    const timer = setTimeout(() => {
      explore.current ??= new JobClient<'explore'>();
      dispatch({ type: 'explore-started' });
      explore.current.solve(
        { ...ask, kind: 'explore', choices: [...choices] },
        {
          onProgress: (progress) => dispatch({ type: 'explore-progress', progress }),
          onDone: (answer) => dispatch({ type: 'explore-done', answer }),
          onFailed: (message) => dispatch({ type: 'explore-failed', message }),
        },
      );
    }, REST_ms);
    return () => {
      clearTimeout(timer);
      explore.current?.cancel();
    };
  }, [ask, choices, wanted, dispatch]);

  useEffect(
    () => () => {
      search.current?.dispose();
      explore.current?.dispose();
      search.current = null;
      explore.current = null;
    },
    [],
  );

  return {
    stop: () => {
      search.current?.cancel();
      explore.current?.cancel();
      dispatch({ type: 'stopped' });
    },
  };
}
