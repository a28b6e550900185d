import { useEffect, useMemo, useRef, type Dispatch } from 'react';
import type { AirSheet } from '~/schema/sheets/airSheet';
import type { MoistureInput } from '~/schema/values/moisture';
import { JobClient } from '~/workers/jobClient';
import type { AirAction, AirSet } from './state';

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
  set: AirSet,
  moisture: MoistureInput | null,
  dispatch: Dispatch<AirAction>,
): { stop: () => void; stopDrawing: () => void } {
  const solver = useRef<JobClient<'field'> | null>(null);
  const drawer = useRef<JobClient<'field-band'> | null>(null);
  // Level and hours change words only; the peak on the label is a limit that is solved with.
  const input = useMemo(() => {
    const { site } = sheet.input;
    return { ...sheet.input, site: moisture ? { ...site, moisture } : site };
  }, [sheet, moisture?.rated_C]);

  useEffect(() => {
    const timer = setTimeout(() => {
      const ask = { input, ...set };
      solver.current ??= new JobClient<'field'>();
      dispatch({ type: 'started' });
      solver.current.solve(
        { kind: 'field', ask, frames: FRAMES },
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
              { kind: 'field-band', ask, draws: DRAWS, seed: SEED },
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
  }, [input, set, dispatch]);

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
