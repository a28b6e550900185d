import { useEffect, useRef, type Dispatch } from 'react';
import type { ImportGround } from '~/workers/protocol';
import { JobClient } from '~/workers/jobClient';
import type { ImportAction, ImportState } from './state';

/** Waits for a hand on a number field to rest before reading again. */
const REST_ms = 250;

/** Reads the files in a worker whenever they or the choices about them change. */
export function useReading(
  ground: ImportGround,
  { files, choices }: Pick<ImportState, 'files' | 'choices'>,
  dispatch: Dispatch<ImportAction>,
): { stop: () => void } {
  const solver = useRef<JobClient<'import'> | null>(null);
  useEffect(() => {
    if (files.length === 0) return;
    const timer = setTimeout(() => {
      solver.current ??= new JobClient<'import'>();
      dispatch({ type: 'progress', doing: 'reading', share: 0 });
      solver.current.solve(
        { kind: 'import', files, ground, choices },
        {
          onProgress: (progress) => {
            if (progress.stage === 'import') {
              dispatch({ type: 'progress', doing: progress.doing, share: progress.done / progress.of });
            }
          },
          onDone: (preview) => dispatch({ type: 'read', preview }),
          onFailed: (message) => dispatch({ type: 'failed', error: new Error(message) }),
        },
      );
    }, REST_ms);
    return () => {
      clearTimeout(timer);
      if (solver.current?.busy) {
        solver.current.dispose();
        solver.current = null;
      }
    };
  }, [files, choices, ground, dispatch]);
  useEffect(
    () => () => {
      solver.current?.dispose();
      solver.current = null;
    },
    [],
  );
  return {
    // Ended, not asked to stop: a reader that a file holds in one long step hears nothing. The next reading begins another.
    stop: () => {
      solver.current?.dispose();
      solver.current = null;
      dispatch({ type: 'stopped' });
    },
  };
}
