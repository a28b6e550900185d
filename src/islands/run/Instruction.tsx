import { useStore } from '@nanostores/react';
import type { ReactNode } from 'react';
import type { Expected } from '~/core/learning/expected';
import type { RunState } from '~/core/record/runState';
import { leadOf } from '~/core/method/steps/step';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { $railLines } from '~/islands/rail/railStore';
import { CommandButton } from '~/ui/controls/Button';
import { Caution } from '~/ui/controls/Notes';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { HeatStep } from './HeatStep';
import { WaitStep } from './WaitStep';
import type { Turn } from './turn';
import { waitEnd_ms } from './waitEnd';
import { useTick, type Clock } from './useNow';
import css from './run.module.css';

interface InstructionProps {
  readonly jobId: string;
  readonly step: JobStep | null;
  readonly index: number;
  readonly count: number;
  readonly at: RunState;
  /** Where a heating step stands; null for any other. */
  readonly turn: Turn | null;
  /** What this run has learnt of the next touch; null where it has nothing to go by. */
  readonly learnt: Expected | null;
  readonly clock: Clock;
  readonly early: boolean;
  readonly why: boolean;
  /** What gives the heat: Iron, Gun, Tips or Air. */
  readonly tool: string;
  /** The site as it lies, for steps that ask for it. */
  readonly picture: ReactNode;
  /** In place of the usual buttons, where the step has ways of its own. */
  readonly ways: ReactNode;
  /** A clock ends before its time, and why. */
  readonly onEarly: (reason: string) => void;
  readonly run: (id: RunCommand) => boolean;
}

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

/** The one thing to do now, large enough to read from the lens. */
export function Instruction(props: InstructionProps) {
  const { step, index, count, turn, why, picture, ways, run, at, clock } = props;
  const lines = useStore($railLines);
  // What held while it ran does not hold any more.
  const over = useTick(
    clock,
    (now_ms) => step?.wait_s != null && now_ms >= waitEnd_ms(lines, props.jobId, step, at),
  );
  if (!step) {
    return (
      <div className={css['instruction']}>
        <p className={css['count']}>All {count} steps done</p>
        <h2 className={css['title']}>Close the job</h2>
        <p className={css['detail']}>Say the outcome, the root cause, and what would bring it back.</p>
        <div className={css['buttons']}>
          <CommandButton
            command={command('go')}
            label="Close with an outcome"
            look="primary"
            className={css['big']}
            run={run}
          />
        </div>
      </div>
    );
  }
  const { lead, rest } = leadOf(step.detail);
  const clocked = step.kind === 'heat' || step.kind === 'wait';
  const aside = (
    <>
      {rest && <p className={css['rest']}>{rest}</p>}
      <div className={css['cautions']}>
        {step.cautions.map((text) => (
          <Caution key={text}>{text}</Caution>
        ))}
      </div>
    </>
  );
  return (
    <div className={css['instruction']}>
      <p className={css['count']}>
        Step {index + 1} of {count}
      </p>
      <h2 className={css['title']}>{step.title}</h2>
      <p className={css['detail']}>{over ? 'Its clock has ended. Done goes on.' : lead}</p>
      {step.picture && picture}
      {/* A clock that runs stays in sight: what is read once stands below it. */}
      {!clocked && aside}
      {step.kind === 'heat' && turn && <HeatStep {...props} step={step} turn={turn} />}
      {step.kind === 'wait' && <WaitStep {...props} step={step} />}
      {clocked && !over && aside}
      {ways}
      {!ways && (step.kind === 'do' || step.kind === 'inspect' || step.kind === 'gate') && (
        <div className={css['buttons']}>
          <CommandButton
            command={command('go')}
            label={step.kind === 'gate' ? 'Confirmed' : 'Done'}
            look="primary"
            className={css['big']}
            run={run}
          />
          <CommandButton command={command('why')} look="plain" pressed={why} run={run} />
        </div>
      )}
      {why && <p className={css['why']}>{step.why}</p>}
    </div>
  );
}
