import { useEffect, useRef, type Dispatch } from 'react';
import type { AirSheet } from '~/schema/sheets/airSheet';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';
import { JobClient } from '~/workers/jobClient';
import { requestOf, type AirSetting } from './setting';
import type { AirAction } from './state';

/** Waits for a hand on a slider to rest before solving the board again. */
const REST_ms = 120;
/** Enough for tenths; each is a whole run. */
const DRAWS = 24;
const SEED = 1;
/** Pictures of the board that a run keeps for the scrubber. */
const FRAMES = 80;

/**
 * Solves the board for the setting at hand in a worker, then draws what is uncertain in another; a new
 * setting cancels both.
 */
export function useField(
  sheet: AirSheet,
  setting: AirSetting,
  dispatch: Dispatch<AirAction>,
): { stop: () => void; stopDrawing: () => void } {
  const solver = useRef<JobClient<'field'> | null>(null);
  const drawer = useRef<JobClient<'field-band'> | null>(null);

  useEffect(() => {
    const timer = setTimeout(() => {
      const parsed = simulateInput.safeParse(requestOf(sheet, setting));
      if (!parsed.success) {
        const { path, message } = parsed.error.issues[0]!;
        dispatch({ type: 'failed', message: `${path.join('.')} ${message}` });
        return;
      }
      solver.current ??= new JobClient<'field'>();
      dispatch({ type: 'started' });
      solver.current.solve(
        { kind: 'field', input: parsed.data, frames: FRAMES },
        {
          onProgress: (progress) => {
            if (progress.stage === 'field') {
              dispatch({ type: 'progress', time_s: progress.time_s, duration_s: progress.duration_s });
            }
          },
          onDone: (picture) => {
            dispatch({ type: 'done', picture });
            drawer.current ??= new JobClient<'field-band'>();
            drawer.current.solve(
              { kind: 'field-band', input: parsed.data, draws: DRAWS, seed: SEED },
              {
                onProgress: (progress) => {
                  if (progress.stage === 'field-band' && progress.band) {
                    dispatch({ type: 'band', band: progress.band });
                  }
                },
                onDone: (band) => dispatch({ type: 'band', band }),
                onFailed: (message) => dispatch({ type: 'failed', message }),
              },
            );
          },
          onFailed: (message) => dispatch({ type: 'failed', message }),
        },
      );
    }, REST_ms);
    return () => {
      clearTimeout(timer);
      solver.current?.cancel();
      drawer.current?.cancel();
    };
  }, [sheet, setting, dispatch]);

  useEffect(
    () => () => {
      for (const held of [solver, drawer]) {
        held.current?.dispose();
        held.current = null;
      }
    },
    [],
  );

  return {
    stop: () => {
      solver.current?.cancel();
      drawer.current?.cancel();
      dispatch({ type: 'stopped' });
    },
    stopDrawing: () => {
      drawer.current?.cancel();
      dispatch({ type: 'drawing stopped' });
    },
  };
}
