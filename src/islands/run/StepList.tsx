import { useEffect, useRef } from 'react';
import type { RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { passedInWords } from '~/schema/words/words';
import css from './run.module.css';

/** What a step was passed on: a clock that was ended early, a gate that was overridden. */
const said = (at: RunState, step: JobStep): string => passedInWords(at.done.get(step.id)?.passed).trim();

/** The whole job as one column; where it stands is marked by word and weight. */
export function StepList({ steps, at }: { steps: readonly JobStep[]; at: RunState }) {
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const here = list.current?.querySelector<HTMLElement>('[aria-current]');
    if (here) list.current!.scrollTop = here.offsetTop - list.current!.offsetTop - 60;
  }, [at.stepIndex]);
  return (
    <ol ref={list} className={css['steps']} aria-label="Steps" tabIndex={0}>
      {steps.map((step, i) => {
        const here = at.status === 'running' && i === at.stepIndex;
        return (
          <li
            key={step.id}
            aria-current={here ? 'step' : undefined}
            data-done={at.done.has(step.id) || undefined}
          >
            <span className="digits" aria-hidden="true">
              {at.done.has(step.id) ? '✓' : here ? '▸' : i + 1}
            </span>
            <span>
              {step.title}
              {said(at, step) && <span className="quiet"> {said(at, step)}</span>}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
