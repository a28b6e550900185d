import { useEffect, useRef, type ComponentProps } from 'react';
import type { Expected } from '~/core/learning/expected';
import { PLAN } from '~/core/method/settings';
import type { RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { byWhat } from '~/schema/words/words';
import { CommandButton } from '~/ui/controls/Button';
import { DwellWindow, sharedEnd_s } from '~/ui/dwell/DwellWindow';
import { budget, clockText, seconds, secondsRange } from '~/ui/figures';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { soundStop, soundWindow } from '~/ui/sounds';
import { heatedInWords, type Turn } from './turn';
import { useTick, type Clock } from './useNow';
import css from './run.module.css';

const command = (id: RunCommand) => RUN_COMMANDS.find((c) => c.id === id)!;

interface HeatStepProps {
  readonly step: JobStep;
  readonly at: RunState;
  readonly turn: Turn;
  readonly learnt: Expected | null;
  readonly clock: Clock;
  /** What was pressed was asked about once. */
  readonly early: boolean;
  readonly why: boolean;
  /** What gives the heat: Iron, Gun, Tips or Air. */
  readonly tool: string;
  readonly run: (id: RunCommand) => boolean;
}

/** A heating step: the target, the clock, the window, and whose turn it is where pins alike follow one another. */
export function HeatStep({ step, at, turn, learnt, clock, early, why, tool, run }: HeatStepProps) {
  const planned = step.dwell!;
  const dwell = learnt ? withLearnt(planned, learnt) : planned;
  const heating = at.heating;
  const { lastDwell } = turn;
  // Where another pin follows, the clock is ready for it.
  const follows = !heating && turn.pad !== null && lastDwell !== null;
  const elapsedAt_s = (now_ms: number): number | null =>
    heating ? Math.max(0, (now_ms - heating.on_ms) / 1000) : null;
  const stood_s = follows ? null : (lastDwell?.off_s ?? null);
  const melted_s = (heating ?? (follows ? null : lastDwell))?.melted_s ?? null;
  const zone = useTick(clock, (now_ms) => zoneOf(elapsedAt_s(now_ms), melted_s, dwell));
  useSignals(zone);
  const cools_s = useTick(clock, (now_ms) => (heating ? 0 : coolingLeft_s(lastDwell, now_ms)));
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
      {turn.of > 1 && (
        <p className={css['turn']}>
          <strong>
            {heating ? heatedInWords([heating.pad]) : turn.pad ? heatedInWords([turn.pad]) : 'all done'}
          </strong>
          <span className="digits">
            {Math.min(turn.done + (turn.pad === null ? 0 : 1), turn.of)} of {turn.of}
          </span>
        </p>
      )}
      <p className={css['target']}>
        <span>
          {dwell.setpoint_C} °C · {secondsRange(...dwell.expect_s)} · stop at {seconds(dwell.stop_s)}
        </span>
        {learnt && (
          <small className={css['learnt']}>
            by {learnt.from === 1 ? 'one pin' : `${learnt.from} pins`} of this run; planned{' '}
            {secondsRange(...planned.expect_s)}, stop {seconds(planned.stop_s)}
          </small>
        )}
      </p>
      <div className={css['clockRow']} data-zone={zone}>
        <Elapsed clock={clock} at={(now_ms) => elapsedAt_s(now_ms) ?? stood_s} />
        <p className={css['zone']} aria-live="assertive">
          {zone === 'rest' ? `${tool.toLowerCase()} off` : ZONE_WORDS[zone]}
          {zone === 'molten' && <span> off within {seconds(holdLeft_s(melted_s!, dwell))}</span>}
        </p>
      </div>
      <Needled
        clock={clock}
        at={(now_ms) => elapsedAt_s(now_ms) ?? stood_s}
        label={step.title}
        times={times}
        melted_s={melted_s}
      />
      <div className={css['buttons']}>
        {!heating && turn.pad !== null && (
          <CommandButton
            command={command('go')}
            label={turn.of > 1 ? `${tool} on pin ${turn.pad}` : `${tool} on`}
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
        {!heating && turn.pad === null && (
          <CommandButton
            command={command('go')}
            label="Next step"
            look="primary"
            className={css['big']}
            run={run}
          />
        )}
        {!heating && lastDwell && (
          <CommandButton
            command={command('again')}
            label={`${early && cools_s > 0 ? 'Yes, heat' : 'Heat'}${turn.of > 1 ? ` pin ${lastDwell.pad}` : ''} again`}
            className={css['big']}
            run={run}
          />
        )}
        <CommandButton command={command('why')} look="plain" pressed={why} run={run} />
      </div>
      {heating && early && (
        <p className={css['stopWords']}>
          Molten already? Expected from {seconds(dwell.expect_s[0])}. Press again if you saw it flow.
        </p>
      )}
      {cools_s > 0 && !follows && (
        <p className={css['zone']} role="timer" aria-label="Cooling">
          cools {clockText(cools_s * 1000)} {cools_s < 60 ? 's' : 'min'}
        </p>
      )}
      {zone === 'stop' && melted_s === null && <p className={css['stopWords']}>{dwell.ifNotMolten}</p>}
      {!heating && lastDwell && (
        <p className={css['result']}>
          {turn.of > 1 && `Pin ${lastDwell.pad}: `}
          {lastDwell.melted_s === null ? 'Melt not seen' : `Molten at ${seconds(lastDwell.melted_s)}`}, off at{' '}
          {seconds(lastDwell.off_s)}
          {lastDwell.exposure &&
            `; took ${budget(lastDwell.exposure.padDose)} of the pad’s budget (estimate${byWhat(lastDwell.exposure.measured)})`}
          .{lastDwell.melted_s === null && ` ${dwell.ifNotMolten.replace(/^\w+ off[.,] /, '')}`}
        </p>
      )}
    </>
  );
}

/** A planned window where this run has found it. */
const withLearnt = (planned: Planned, now: Expected): Planned => ({
  ...planned,
  expect_s: [now.p10_s, Number.isFinite(now.p90_s) ? now.p90_s : null],
  liftFrom_s: Number.isFinite(now.liftFrom_s) ? now.liftFrom_s : null,
  stop_s: now.stop_s,
  holdAfterMelt_s: now.holdAfterMelt_s,
});

type Planned = NonNullable<JobStep['dwell']>;

interface Ticking {
  readonly clock: Clock;
  /** The time to show, s; null before the first. */
  readonly at: (now_ms: number) => number | null;
}

/** Tenths of a second under heat: all that is drawn anew ten times a second, but for the needle. */
function Elapsed({ clock, at }: Ticking) {
  const tenths = useTick(clock, (now_ms) => (at(now_ms) ?? 0).toFixed(1));
  return (
    <p className={css['clock']} role="timer" aria-label="Time under heat">
      {tenths}
      <small>s</small>
    </p>
  );
}

/** The window with its needle. */
function Needled({
  clock,
  at,
  ...window
}: Ticking & Pick<ComponentProps<typeof DwellWindow>, 'label' | 'times' | 'melted_s'>) {
  const now_s = useTick(clock, at);
  return <DwellWindow large {...window} end_s={sharedEnd_s([window.times])} now_s={now_s} />;
}

/** How long a molten joint is still held: what its budget allows, but not past the stop while that is to come. */
const holdLeft_s = (melted_s: number, { holdAfterMelt_s, stop_s }: NonNullable<JobStep['dwell']>): number =>
  Math.min(holdAfterMelt_s, Math.max(stop_s - melted_s, PLAN.settle_s));

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
  if (melted_s !== null) return elapsed_s > melted_s + holdLeft_s(melted_s, dwell) ? 'stop' : 'molten';
  if (elapsed_s >= dwell.stop_s) return 'stop';
  if (dwell.liftFrom_s !== null && elapsed_s >= dwell.liftFrom_s) return 'window';
  return dwell.expect_s[0] !== null && elapsed_s >= dwell.expect_s[0] ? 'expect' : 'not-yet';
}

/** Until a joint whose melt was not seen may be heated again; nothing where it melted. */
export const coolingLeft_ms = (last: Turn['lastDwell'], now_ms: number): number =>
  last?.off_s == null || last.melted_s !== null
    ? 0
    : Math.max(0, last.on_ms + last.off_s * 1e3 + PLAN.coolAgain_s * 1e3 - now_ms);

/** The same in whole seconds, as it is shown. */
const coolingLeft_s = (last: Turn['lastDwell'], now_ms: number): number =>
  Math.ceil(coolingLeft_ms(last, now_ms) / 1000);

/** Whether a melt is claimed long before any was foretold. */
export const isSurprising = (elapsed_s: number, { expect_s }: NonNullable<JobStep['dwell']>): boolean =>
  expect_s[0] !== null && expect_s[0] - elapsed_s > PLAN.surprise_s && elapsed_s < expect_s[0] / 2;

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
