import { useEffect, useRef, type Dispatch } from 'react';
import type { AirSheet } from '~/schema/airSheet';
import { simulateInput } from '~/schema/simulateRequest';
import { Solver } from '~/workers/client';
import { requestOf, type AirSetting } from './setting';
import type { AirAction } from './state';

/** Waits for a hand on a slider to rest before solving the board again. */
const REST_ms = 120;
/** Pictures of the board that a run keeps for the scrubber. */
const FRAMES = 80;

/** Solves the board for the setting at hand in a worker; a new setting cancels the run before it. */
export function useField(
  sheet: AirSheet,
  setting: AirSetting,
  dispatch: Dispatch<AirAction>,
): { stop: () => void } {
  const solver = useRef<Solver<'field'> | null>(null);

  useEffect(() => {
    const timer = setTimeout(() => {
      const parsed = simulateInput.safeParse(requestOf(sheet, setting));
      if (!parsed.success) {
        const { path, message } = parsed.error.issues[0]!;
        dispatch({ type: 'failed', message: `${path.join('.')} ${message}` });
        return;
      }
      solver.current ??= new Solver<'field'>();
      dispatch({ type: 'started' });
      solver.current.solve(
        { kind: 'field', input: parsed.data, frames: FRAMES },
        {
          onProgress: (progress) => {
            if (progress.stage === 'field') {
              dispatch({ type: 'progress', time_s: progress.time_s, duration_s: progress.duration_s });
            }
          },
          onDone: (picture) => dispatch({ type: 'done', picture }),
          onFailed: (message) => dispatch({ type: 'failed', message }),
        },
      );
    }, REST_ms);
    return () => {
      clearTimeout(timer);
      solver.current?.cancel();
    };
  }, [sheet, setting, dispatch]);

  useEffect(
    () => () => {
      solver.current?.dispose();
      solver.current = null;
    },
    [],
  );

  return {
    stop: () => {
      solver.current?.cancel();
      dispatch({ type: 'stopped' });
    },
  };
}
