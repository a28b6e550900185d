import { PLAN } from '~/core/method/settings';
import { useEffect, useRef, type ReactNode } from 'react';
import type { Dwell, RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { CommandButton } from '~/ui/controls/Button';
import { Caution } from '~/ui/controls/Notes';
import { sharedEnd_s, DwellWindow } from '~/ui/dwell/DwellWindow';
import { budget, clockText, seconds, secondsRange } from '~/ui/figures';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { soundStop, soundWindow } from './sounds';
import css from './run.module.css';

interface InstructionProps {
  readonly step: JobStep | null;
  readonly index: number;
  readonly count: number;
  readonly at: RunState;
  readonly lastDwell: Dwell | null;
  readonly now_ms: number;
  readonly early: boolean;
  readonly why: boolean;
  /** What gives the heat: Iron, Gun, Tips or Air. */
  readonly tool: string;
  /** The site as it lies, for steps that ask for it. */
  readonly picture: ReactNode;
  readonly run: (id: RunCommand) => boolean;
}

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

/** The one thing to do now, large enough to read from the lens. */
export function Instruction(props: InstructionProps) {
  const { step, index, count, why, picture, run } = props;
  if (!step) {
    return (
      <div className={css['instruction']}>
        <p className={css['count']}>All {count} steps done</p>
        <h2 className={css['title']}>Close the job</h2>
        <p className={css['detail']}>Say what came of it, and what would cause it again.</p>
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
  return (
    <div className={css['instruction']}>
      <p className={css['count']}>
        Step {index + 1} of {count}
      </p>
      <h2 className={css['title']}>{step.title}</h2>
      <p className={css['detail']}>{step.detail}</p>
      {step.picture && picture}
      {step.cautions.map((text) => (
        <Caution key={text}>{text}</Caution>
      ))}
      {step.kind === 'heat' && <Heat {...props} step={step} />}
      {step.kind === 'wait' && <Wait {...props} step={step} />}
      {(step.kind === 'do' || step.kind === 'inspect' || step.kind === 'gate') && (
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

function Heat({ step, at, lastDwell, now_ms, why, tool, run }: InstructionProps & { step: JobStep }) {
  const dwell = step.dwell!;
  const heating = at.heating;
  const elapsed_s = heating ? Math.max(0, (now_ms - heating.on_ms) / 1000) : null;
  const shown_s = elapsed_s ?? lastDwell?.off_s ?? null;
  const melted_s = (heating ?? lastDwell)?.melted_s ?? null;
  const zone = zoneOf(elapsed_s, melted_s, dwell);
  useSignals(zone);
  const times = {
    p10_s: dwell.expect_s[0],
    p50_s: dwell.liftFrom_s === null ? null : dwell.liftFrom_s - PLAN.settle_s,
    p90_s: dwell.expect_s[1],
    liftFrom_s: dwell.liftFrom_s,
    stop_s: dwell.stop_s,
    hold_s: dwell.holdAfterMelt_s,
  };
  return (
    <>
      <p className={css['target']}>
        {dwell.setpoint_C} °C · {secondsRange(...dwell.expect_s)} · stop at {seconds(dwell.stop_s)}
      </p>
      <div className={css['clockRow']} data-zone={zone}>
        <p className={css['clock']} role="timer" aria-label="Time under heat">
          {shown_s === null ? '0.0' : shown_s.toFixed(1)}
          <small>s</small>
        </p>
        <p className={css['zone']} aria-live="assertive">
          {zone === 'rest' ? `${tool.toLowerCase()} off` : ZONE_WORDS[zone]}
          {zone === 'molten' && <span> off within {seconds(dwell.holdAfterMelt_s)}</span>}
        </p>
      </div>
      <DwellWindow
        large
        label={step.title}
        times={times}
        end_s={sharedEnd_s([dwell])}
        now_s={shown_s}
        melted_s={melted_s}
      />
      <div className={css['buttons']}>
        {!heating && !lastDwell && (
          <CommandButton
            command={command('go')}
            label={`${tool} on`}
            look="primary"
            className={css['big']}
            run={run}
          />
        )}
        {heating && (
          <>
            <CommandButton
              command={command('melted')}
              className={css['big']}
              run={run}
              disabled={melted_s !== null}
            />
            <CommandButton
              command={command('go')}
              label={`${tool} off`}
              look="primary"
              className={css['big']}
              run={run}
            />
          </>
        )}
        {!heating && lastDwell && (
          <>
            <CommandButton
              command={command('go')}
              label="Next step"
              look="primary"
              className={css['big']}
              run={run}
            />
            <CommandButton command={command('again')} className={css['big']} run={run} />
          </>
        )}
        <CommandButton command={command('why')} look="plain" pressed={why} run={run} />
      </div>
      {zone === 'stop' && melted_s === null && <p className={css['stopWords']}>{dwell.ifNotMolten}</p>}
      {!heating && lastDwell && (
        <p className={css['result']}>
          {lastDwell.melted_s === null ? 'Melt not seen' : `Molten at ${seconds(lastDwell.melted_s)}`}, off at{' '}
          {seconds(lastDwell.off_s)}
          {lastDwell.exposure &&
            `; took ${budget(lastDwell.exposure.padDose)} of the pad’s budget (estimate)`}
          .{lastDwell.melted_s === null && ` ${dwell.ifNotMolten.replace(/^\w+ off[.,] /, '')}`}
        </p>
      )}
    </>
  );
}

type Zone = 'rest' | 'not-yet' | 'expect' | 'window' | 'molten' | 'stop';

const ZONE_WORDS: Readonly<Record<Exclude<Zone, 'rest'>, string>> = {
  'not-yet': 'not yet',
  expect: 'watch for the melt',
  window: 'window',
  molten: 'molten:',
  stop: 'stop',
};

function zoneOf(
  elapsed_s: number | null,
  melted_s: number | null,
  dwell: NonNullable<JobStep['dwell']>,
): Zone {
  if (elapsed_s === null) return 'rest';
  if (melted_s !== null) return elapsed_s > melted_s + dwell.holdAfterMelt_s ? 'stop' : 'molten';
  if (elapsed_s >= dwell.stop_s) return 'stop';
  if (dwell.liftFrom_s !== null && elapsed_s >= dwell.liftFrom_s) return 'window';
  return dwell.expect_s[0] !== null && elapsed_s >= dwell.expect_s[0] ? 'expect' : 'not-yet';
}

/** A sound as the window opens and one at the stop; the zone's words and colours say the same. */
function useSignals(zone: Zone): void {
  const before = useRef<Zone>(zone);
  useEffect(() => {
    if (zone === before.current) return;
    if (zone === 'window' && before.current !== 'molten') soundWindow();
    if (zone === 'stop') soundStop();
    before.current = zone;
  }, [zone]);
}

function Wait({ step, at, now_ms, early, why, run }: InstructionProps & { step: JobStep }) {
  const left_ms = at.stepStart_ms + step.wait_s! * 1000 - now_ms;
  const over = left_ms <= 0;
  const ended = useRef(over);
  useEffect(() => {
    if (over && !ended.current) soundWindow();
    ended.current = over;
  }, [over]);
  return (
    <>
      <div className={css['clockRow']} data-zone={over ? 'window' : 'not-yet'}>
        <p className={css['clock']} role="timer" aria-label="Time left">
          {clockText(Math.max(0, left_ms))}
        </p>
        <p className={css['zone']}>{over ? 'time is up' : 'left'}</p>
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
          The clock has not ended. Press again only if you are sure; the record will show it.
        </p>
      )}
    </>
  );
}
