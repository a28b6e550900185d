import { useStore } from '@nanostores/react';
import { useEffect, useRef } from 'react';
import type { RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { $railLines } from '~/islands/rail/railStore';
import { CommandButton } from '~/ui/controls/Button';
import { clockWords } from '~/ui/clockWords';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { EarlyEnd } from './EarlyEnd';
import { soundWindow } from '~/ui/sounds';
import { useTick, type Clock } from './useNow';
import { waitEnd_ms } from './waitEnd';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

interface WaitStepProps {
  readonly jobId: string;
  readonly step: JobStep;
  readonly at: RunState;
  readonly clock: Clock;
  /** It was asked to end before its time once. */
  readonly early: boolean;
  readonly why: boolean;
  readonly onEarly: (reason: string) => void;
  readonly run: (id: RunCommand) => boolean;
}

/** What is left of a wait, or by how much it is over. */
function WaitClock({ end_ms, clock }: { readonly end_ms: number; readonly clock: Clock }) {
  const left_s = useTick(clock, (now_ms) => Math.ceil((end_ms - now_ms) / 1000));
  const { state, figure, says, allowed } = clockWords('wait', left_s * 1000);
  const over = state !== 'running';
  return (
    <>
      <p
        className={`${css['clock']} ${over ? css['since'] : ''}`}
        role="timer"
        aria-label={over ? 'Over for' : 'Time left'}
      >
        {figure}
      </p>
      <p className={css['zone']}>{over ? `${says}. ${allowed}.` : says}</p>
    </>
  );
}

/** A wait with its clock; ended before its time only with a reason, and the record says how much was left. */
export function WaitStep({ jobId, step, at, clock, early, why, onEarly, run }: WaitStepProps) {
  const end_ms = waitEnd_ms(useStore($railLines), jobId, step, at);
  const over = useTick(clock, (now_ms) => now_ms >= end_ms);
  const ended = useRef(over);
  useEffect(() => {
    if (over && !ended.current) soundWindow();
    ended.current = over;
  }, [over]);
  return (
    <>
      <div className={css['clockRow']} data-zone={over ? 'window' : 'not-yet'}>
        <WaitClock end_ms={end_ms} clock={clock} />
      </div>
      <div className={css['buttons']}>
        <CommandButton
          command={command('go')}
          label={over ? 'Done' : 'End it early'}
          look={over ? 'primary' : 'outline'}
          className={css['big']}
          run={run}
        />
        <CommandButton command={command('why')} look="plain" pressed={why} run={run} />
      </div>
      {early && !over && <EarlyEnd stepId={step.id} onEnd={onEarly} />}
    </>
  );
}
