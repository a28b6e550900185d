import { useEffect, useReducer, useRef } from 'react';
import { JobClient } from '~/workers/jobClient';
import { IDLE, reduce } from './gentlerState';

/** Holds jobs against their gentlest, one after another on the server's planner, until all are told or it is stopped. */
export function useGentler() {
  const [state, dispatch] = useReducer(reduce, IDLE);
  const client = useRef<JobClient<'gentler'> | null>(null);
  const next = state.status === 'working' ? state.left[0]?.jobId : undefined;
  useEffect(() => {
    if (next === undefined) return;
    client.current ??= new JobClient<'gentler'>();
    client.current.solve(
      { kind: 'gentler', jobId: next },
      {
        onProgress: () => undefined,
        onDone: (answer) => dispatch({ type: 'held', jobId: next, answer }),
        onFailed: (message) => dispatch({ type: 'failed', message }),
      },
    );
    return () => client.current?.cancel();
  }, [next]);
  useEffect(
    () => () => {
      client.current?.dispose();
      client.current = null;
    },
    [],
  );
  return { state, dispatch };
}
