import { useStore } from '@nanostores/react';
import { $railLines } from '~/islands/rail/railStore';
import { useReady } from '~/ui/useReady';
import { useEffect, useMemo, useReducer, useRef } from 'react';
import { keepsPart, phasesOf } from '~/core/method/goals';
import { isChargeGate } from '~/core/record/chargeGate';
import { isSupplyGate } from '~/core/record/supplyGate';
import { notLookedAt } from '~/core/record/lastLooks';
import type { RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { RunSheet } from '~/schema/sheets/runSheet';
import { GOAL_WORDS } from '~/schema/words/words';
import { settingInWords } from '~/schema/words/settingWords';
import { CommandButton } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { AsItLies } from '~/ui/face/AsItLies';
import { UNMARKED } from '~/islands/findings/marking';
import { useMarking } from '~/islands/findings/useMarking';
import { AsideList } from './AsideList';
import { ChargeGate } from './ChargeGate';
import { Closed } from './Closed';
import { CloseDialog } from './CloseDialog';
import { RUN_COMMANDS } from './commands';
import { Instruction } from './Instruction';
import { NoteDialog } from './NoteDialog';
import { EMPTY_OUTBOX } from './outbox';
import { LandsPanel } from './LandsPanel';
import { LiftGate } from './LiftGate';
import { LiveTemps } from './LiveTemps';
import {
  loggersOf,
  stationOf,
  supplyOf,
  useBenchDevices,
  useStationSet,
  useSupplyRead,
} from './useBenchDevices';
import { GoingOn, PauseStep } from './PauseStep';
import { RoundList, RoundStrip } from './RoundStrip';
import { reduce, standing } from './state';
import { TakeBackDialog } from './TakeBackDialog';
import { SupplyGate } from './SupplyGate';
import { StationGate } from './StationGate';
import { StepList } from './StepList';
import { padOf } from './turn';
import { useAwake } from './useAwake';
import { useSpoken } from './useSpoken';
import { useLearnt } from './useLearnt';
import { useCourses } from './useCourses';
import { useClock } from './useNow';
import { useOutbox } from './useOutbox';
import { useRunning } from './useRunning';
import { fromPage } from '~/ui/fromPage';
import css from './run.module.css';
import { steadyNow_ms } from '~/ui/steadyNow';

/** When the server's answer with this page began to come in: a slow page must not slow its clock. */
function answeredAt_ms(): number {
  const [page] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
  return page && page.responseStart > 0 ? performance.timeOrigin + page.responseStart : steadyNow_ms();
}

const textOf = (value: number | null): string => (value === null ? '' : String(value));

/** One job, one step at a time: an instruction, a target, a clock; every press is an entry in the record. */
function RunView({ sheet }: { sheet: RunSheet }) {
  const { job, site, round } = sheet;
  const { steps } = job.plan;
  const [state, dispatch] = useReducer(reduce, {
    events: sheet.events,
    ...EMPTY_OUTBOX,
    skew_ms: 0,
    findings: sheet.findings,
    ...UNMARKED,
    early: false,
    where: '',
    shown: '',
    again: '',
    supply: { asks: textOf(sheet.supply.asks_V), gives: '', limit: textOf(sheet.supply.limit_A) },
    open: 'nothing',
    waits: null,
  });
  const ready = useReady();
  const lines = useStore($railLines);
  const lands = useRef<HTMLDivElement>(null);
  useEffect(() => {
    dispatch({ type: 'opened', events: sheet.events, skew_ms: sheet.now_ms - answeredAt_ms() });
  }, [sheet]);

  const { events, unsent } = state;
  const at = useMemo(() => standing({ events, unsent }, steps), [events, unsent, steps]);
  const costDue = at.dwells.some((d) => d.off_s !== null && d.exposure === null);
  useOutbox(job.id, steps, state, costDue, dispatch);
  const step = steps[at.stepIndex] ?? null;
  const closed = at.status === 'closed';
  const clock = useClock(state.skew_ms, !closed, sheet.now_ms);
  const running = useRunning(sheet, state, at, step, clock, lands, dispatch);
  useAwake(!closed);
  useSpoken(closed ? null : step);
  const learnt = useLearnt(job.id, steps, at, step, at.heating?.pad ?? running.turn?.pad ?? null);
  const { turn, held, pausing, leftToEnd, nextRef, next, run, write, pass } = running;
  const air = toolOf(job, step) === 'Air';
  const devices = useBenchDevices(job.id);
  const loggers = loggersOf(devices);
  const courses = useCourses(job.id, step?.phase ?? null, loggers.length > 0 && !closed);
  const station = stationOf(devices, toolOf(job, step));
  const read_C = useStationSet(station, step?.reads_C != null, state.shown, (set_C) =>
    dispatch({ type: 'shown', shown: String(set_C) }),
  );
  const supply = supplyOf(devices);
  const supplyReads = useSupplyRead(supply, isSupplyGate(step?.id), state.supply, (typed) =>
    dispatch({ type: 'supply', typed }),
  );
  const isOff = steps.findLast((x) => x.effect !== null && at.done.has(x.id))?.effect === 'part-off';

  const marking = useMarking({
    site,
    run: state.run,
    pending: state.pending,
    marking: state.marking,
    claim: state.claim,
    pad: state.pad,
    foundAs: 'done-here',
    jobId: job.id,
    dispatch,
  });

  return (
    <div className={css['view']} data-ready={ready || undefined} data-unsent={state.unsent.length}>
      <section className={css['now']} aria-label="This step">
        {state.waits !== null && (
          <p className={css['offline']} role="status">
            Not saved yet: {state.waits}. {state.unsent.length} entries are kept here and sent when it does.
            Clocks go on.
          </p>
        )}
        <AsideList aside={state.aside} steps={steps} at={at} events={state.events} dispatch={dispatch} />
        <ErrorNote error={state.error} />
        {round && <RoundStrip round={round} siteId={site.id} boardId={job.boardId} />}
        {leftToEnd ? (
          <GoingOn
            ref_={site.ref}
            nextRef={nextRef}
            next={next}
            boardId={job.boardId}
            onGo={() => run('go')}
          />
        ) : closed ? (
          <Closed
            job={job}
            outcome={at.outcome ?? ''}
            entry={state.events.findLast((e) => e.kind === 'closed') ?? null}
            mostHeat={mostHeatOf(at)}
            onResume={() => write({ kind: 'resumed' })}
          />
        ) : (
          <Instruction
            jobId={job.id}
            step={step}
            index={at.stepIndex}
            count={steps.length}
            at={at}
            turn={turn}
            learnt={learnt}
            clock={clock}
            early={state.early}
            why={state.open === 'why'}
            tool={toolOf(job, step)}
            ways={
              pausing && nextRef ? (
                <PauseStep nextRef={nextRef} run={run} />
              ) : step?.reads_C != null ? (
                <StationGate
                  key={step.id}
                  planned_C={step.reads_C}
                  shown={state.shown}
                  asked={state.early}
                  station={station}
                  read_C={read_C}
                  onShown={(shown) => dispatch({ type: 'shown', shown })}
                  onPass={pass}
                  onReplan={running.replan}
                  run={run}
                />
              ) : isChargeGate(step?.id) ? (
                <ChargeGate
                  shown={state.shown}
                  asked={state.early}
                  again={state.again}
                  onAgain={(again) => dispatch({ type: 'shown-again', again })}
                  onShown={(shown) => dispatch({ type: 'shown', shown })}
                  onPass={pass}
                  run={run}
                />
              ) : isSupplyGate(step?.id) ? (
                <SupplyGate
                  lines={lines}
                  boardId={job.boardId}
                  clock={clock}
                  typed={state.supply}
                  asked={state.early}
                  supply={supplyReads ? supply : null}
                  onTyped={(typed) => dispatch({ type: 'supply', typed })}
                  onPass={pass}
                  run={run}
                />
              ) : step?.effect === 'part-off' ? (
                <LiftGate
                  held={held}
                  kept={keepsPart(job.goal)}
                  asked={state.early}
                  where={state.where}
                  onWhere={(where) => dispatch({ type: 'where', where })}
                  onPass={pass}
                  run={run}
                />
              ) : null
            }
            onEarly={running.endEarly}
            picture={<AsItLies site={site} board={sheet.board.construction} />}
            run={run}
          />
        )}
      </section>

      <section className={css['side']} aria-label="Pads and steps">
        {!closed && loggers.length > 0 && (step?.kind === 'heat' || step?.kind === 'wait') && (
          <LiveTemps
            devices={loggers}
            alloy={site.alloy}
            kind={air || step.kind === 'wait' ? 'air' : 'hand'}
            dwell={at.heating ?? at.dwells.at(-1) ?? null}
            courses={courses}
            clock={clock}
          />
        )}
        <LandsPanel
          site={site}
          state={state}
          at={at}
          isOff={isOff}
          turnPad={turn?.pad ?? padOf(step)}
          row={rowOf(step)}
          marking={marking}
          lands={lands}
          dispatch={dispatch}
        />
        <div className={css['sideKeys']}>
          {(closed ? CLOSED_KEYS : OPEN_KEYS).map((id) => (
            <CommandButton
              key={id}
              small
              command={RUN_COMMANDS.find((c) => c.id === id)!}
              run={run}
              pressed={id === 'mark' ? state.marking : undefined}
            />
          ))}
        </div>
        <StepList steps={steps} at={at} />
        {round && <RoundList round={round} siteId={site.id} />}
        <p className="quiet">
          {GOAL_WORDS[job.goal]}. {settingInWords(job.plan.phases[0]!.chosen)}.{' '}
          <a href={`/jobs/${job.id}/plan`}>Planned and actual</a>
        </p>
      </section>

      <NoteDialog
        isOpen={state.open === 'note'}
        onClose={() => dispatch({ type: 'open', what: 'nothing' })}
        onWrite={(text) => write({ kind: 'note', text })}
      />
      <CloseDialog
        isOpen={state.open === 'close'}
        unfinished={step !== null && !pausing}
        missing={pausing ? [] : notLookedAt(steps, at)}
        removal={phasesOf(job.goal).every((phase) => phase === 'remove')}
        onClose={() => dispatch({ type: 'open', what: 'nothing' })}
        onWrite={running.close}
      />
      <TakeBackDialog
        isOpen={state.open === 'take-back'}
        events={state.events}
        steps={steps}
        findings={state.findings.filter((f) => f.jobId === job.id)}
        padName={(id) => site.pads.find((p) => p.id === id)?.name ?? '?'}
        onClose={() => dispatch({ type: 'open', what: 'nothing' })}
        onWrite={write}
        onFinding={marking.takeBack}
      />
    </div>
  );
}

export const RunIsland = fromPage(RunView);

const OPEN_KEYS = ['mark', 'back', 'note', 'take-back', 'close'] as const;
/** What a closed job still takes: a note, and that an entry was wrong. */
const CLOSED_KEYS = ['note', 'take-back'] as const;

/** Pads that a step takes in turn or draws over, to be seen on the lands. */
const rowOf = (step: JobStep | null): readonly string[] =>
  step === null ? [] : step.stroke.length > 0 ? step.stroke : step.inTurn;

/** The most that any heat of it cost one pad. */
const mostHeatOf = ({ dwells }: RunState): number | null => {
  const doses = dwells.flatMap((d) => (d.exposure ? [d.exposure.padDose] : []));
  return doses.length > 0 ? Math.max(...doses) : null;
};

/** What the hand holds in a heating step, by the phase it belongs to. */
function toolOf(job: RunSheet['job'], step: JobStep | null): string {
  const { phases } = job.plan;
  const { chosen } = phases.find((p) => p.phase === step?.phase) ?? phases[0]!;
  if (chosen.nozzle) return 'Air';
  if (chosen.tip && 'inner_mm' in chosen.tip) return 'Gun';
  return chosen.method === 'tweezers' ? 'Tips' : 'Iron';
}
