import { useEffect, useMemo, useState } from 'react';
import { expectedOf, learnt, type Expected } from '~/core/learning/expected';
import { drawsFromKept } from '~/core/learning/fromKept';
import { seenIn } from '~/core/learning/seenIn';
import type { RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { KeptDraws } from '~/schema/records/jobs/jobDraws';
import { getJson } from '~/ui/api';

interface DrawsAnswer {
  readonly phases: Readonly<Record<string, KeptDraws>>;
  readonly awaited: boolean;
}

/** Draws are computed after the job is written: asked for again after so long, and so often. */
const AGAIN_ms = 3000;
const MOST_ASKED = 20;

/** The draws that a job keeps of its plan, as soon as they are there. */
function useDraws(jobId: string, wanted: boolean): DrawsAnswer['phases'] {
  const [phases, setPhases] = useState<DrawsAnswer['phases']>({});
  useEffect(() => {
    if (!wanted) return;
    let [timer, asked]: [ReturnType<typeof setTimeout> | undefined, number] = [undefined, 0];
    const again = (): void => {
      if (++asked < MOST_ASKED) timer = setTimeout(ask, AGAIN_ms);
    };
    const ask = (): void =>
      void getJson<DrawsAnswer>(`/api/jobs/${jobId}/draws`).then((answer) => {
        setPhases(answer.phases);
        if (answer.awaited) again();
      }, again);
    ask();
    return () => clearTimeout(timer);
  }, [jobId, wanted]);
  return phases;
}

/** What the touch that is next, or under heat, is expected to come to by all that this run has logged; null before it has. */
export function useLearnt(
  jobId: string,
  steps: readonly JobStep[],
  at: RunState,
  step: JobStep | null,
  touch: string | null,
): Expected | null {
  const phases = useDraws(jobId, at.status === 'running' && steps.some((s) => s.kind === 'heat'));
  // A tip that is drawn along is timed by its length and not by a melt.
  const phase = step?.kind === 'heat' && step.stroke.length === 0 ? step.phase : null;
  const kept = phase === null ? undefined : phases[phase];
  const draws = useMemo(() => kept && drawsFromKept(kept), [kept]);
  const seen = useMemo(() => {
    const own = new Set(steps.filter((s) => s.phase === phase && s.stroke.length === 0).map((s) => s.id));
    return seenIn(
      at.dwells.filter((d) => d !== at.heating),
      own,
    );
  }, [steps, phase, at.dwells, at.heating]);
  return useMemo(
    () =>
      draws && touch !== null && seen.length > 0 ? expectedOf(learnt(draws, seen), touch, seen.length) : null,
    [draws, touch, seen],
  );
}
