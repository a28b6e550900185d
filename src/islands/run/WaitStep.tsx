import { useEffect, useRef } from 'react';
import type { RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { CommandButton } from '~/ui/controls/Button';
import { clockWords } from '~/ui/clockWords';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { soundWindow } from './sounds';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

interface WaitStepProps {
  readonly step: JobStep;
  readonly at: RunState;
  readonly now_ms: number;
  /** It was asked to end before its time once. */
  readonly early: boolean;
  readonly why: boolean;
  readonly run: (id: RunCommand) => boolean;
}

/** A wait with its clock; ended before its time only on a second word, and the record says how much was left. */
export function WaitStep({ step, at, now_ms, early, why, run }: WaitStepProps) {
  const left_ms = at.stepStart_ms + step.wait_s! * 1000 - now_ms;
  const over = left_ms <= 0;
  const words = clockWords('wait', left_ms);
  const ended = useRef(over);
  useEffect(() => {
    if (over && !ended.current) soundWindow();
    ended.current = over;
  }, [over]);
  return (
    <>
      <div className={css['clockRow']} data-zone={over ? 'window' : 'not-yet'}>
        <p className={css['clock']} role="timer" aria-label={over ? 'Over for' : 'Time left'}>
          {words.figure}
        </p>
        <p className={css['zone']}>{over ? `${words.says}. ${words.allowed}.` : words.says}</p>
      </div>
      <div className={css['buttons']}>
        <CommandButton
          command={command('go')}
          label={over ? 'Done' : early ? 'Yes, end the wait early' : 'Done'}
          look={over || early ? 'primary' : 'outline'}
          className={css['big']}
          run={run}
        />
        <CommandButton command={command('why')} look="plain" pressed={why} run={run} />
      </div>
      {early && !over && (
        <p className={css['stopWords']}>
          The clock has not ended. Press again only if you are sure; the record says how much was left.
        </p>
      )}
    </>
  );
}
