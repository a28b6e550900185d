import { useReady } from '~/ui/useReady';
import { useEffect, useReducer, useRef, useState } from 'react';
import { keepsPart } from '~/core/method/goals';
import { UNFINISHED } from '~/core/record/outcomes';
import type { Passed } from '~/core/record/runEvents';
import { PAUSE_STEP } from '~/core/record/round';
import { TOGETHER } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { RunSheet } from '~/schema/sheets/runSheet';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { GOAL_WORDS } from '~/schema/words/words';
import { settingInWords } from '~/schema/words/settingWords';
import { CommandButton } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { AsItLies } from '~/ui/face/AsItLies';
import { useCommands } from '~/ui/keyboard/useCommands';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { UNMARKED } from '~/islands/findings/marking';
import { useMarking } from '~/islands/findings/useMarking';
import { useStore } from '@nanostores/react';
import { Closed } from './Closed';
import { CloseDialog } from './CloseDialog';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { Instruction } from './Instruction';
import { NoteDialog } from './NoteDialog';
import { LandsPanel } from './LandsPanel';
import { LiftGate } from './LiftGate';
import { GoingOn, PauseStep } from './PauseStep';
import { RoundList, RoundStrip } from './RoundStrip';
import { reduce, standing } from './state';
import { TakeBackDialog } from './TakeBackDialog';
import { heldAt, stepHeating, turnOf } from './turn';
import { StepList } from './StepList';
import { useNextPart } from './useNextPart';
import { useNow } from './useNow';
import { useOutbox } from './useOutbox';
import css from './run.module.css';

/** One job, one step at a time: an instruction, a target, a clock; every press is an entry in the record. */
export function RunView({ sheet }: { sheet: RunSheet }) {
  const { job, site, round } = sheet;
  const { steps } = job.plan;
  const [state, dispatch] = useReducer(reduce, {
    events: sheet.events,
    unsent: [],
    skew_ms: 0,
    findings: sheet.findings,
    ...UNMARKED,
    early: false,
    where: '',
    open: 'nothing',
    offline: false,
  });
  const ready = useReady();
  const lands = useRef<HTMLDivElement>(null);
  useOutbox(job.id, state, dispatch);
  useEffect(() => {
    dispatch({ type: 'caught-up', events: sheet.events, skew_ms: sheet.now_ms - Date.now() });
  }, [sheet]);

  const at = standing(state, steps);
  const step = steps[at.stepIndex] ?? null;
  const closed = at.status === 'closed';
  const now_ms = useNow(state.skew_ms, !closed, sheet.now_ms);
  const by = useStore($by);
  const pausing = step?.id === PAUSE_STEP;
  // What is next was read before this part was done.
  const nextRef = round?.lines.find((l) => l.status !== 'done' && l.siteId !== site.id)?.ref ?? null;
  const leftToEnd = closed && at.leftToEnd_ms !== null;
  const [endedHere, setEndedHere] = useState(false);
  const { next, begin } = useNextPart(
    sheet,
    by,
    leftToEnd && endedHere && nextRef !== null && state.unsent.length === 0,
  );
  const turn = step?.kind === 'heat' ? turnOf(step, at) : null;
  const held = heldAt(step, steps, at);
  const isOff = steps.findLast((s) => s.effect !== null && at.done.has(s.id))?.effect === 'part-off';
  const waitLeft_ms =
    step?.kind === 'wait' && step.wait_s !== null ? at.stepStart_ms + step.wait_s * 1000 - now_ms : 0;

  const write = (event: WritableEvent): boolean => {
    const by = $by.get();
    if (!by) {
      dispatch({
        type: 'failed',
        error: new Error(SIGN_FIRST),
      });
      return true;
    }
    dispatch({
      type: 'wrote',
      entry: { clientId: crypto.randomUUID(), by, at_ms: Date.now() + state.skew_ms, event },
    });
    return true;
  };
  const elapsed_s = (): number => Math.max(0, (Date.now() + state.skew_ms - at.heating!.on_ms) / 1000);

  const go = (): boolean => {
    if (closed) return leftToEnd && nextRef !== null && begin();
    if (pausing && nextRef !== null) {
      setEndedHere(true);
      return write({ kind: 'closed', outcome: 'fixed', cause: '', restAtEnd: true });
    }
    if (!step) {
      dispatch({ type: 'open', what: 'close' });
      return true;
    }
    if (at.heating)
      return write({ kind: 'heat-off', stepId: step.id, pad: at.heating.pad, elapsed_s: elapsed_s() });
    if (turn?.pad != null) return write({ kind: 'heat-on', stepId: step.id, pad: turn.pad });
    if ((waitLeft_ms > 0 || held.length > 0) && !state.early) {
      dispatch({ type: 'early' });
      return true;
    }
    return pass(
      waitLeft_ms > 0
        ? { kind: 'early', left_s: waitLeft_ms / 1000 }
        : held.length > 0
          ? { kind: 'moved-freely' }
          : null,
    );
  };
  const pass = (passed: Passed | null): boolean => {
    const where = step?.effect === 'part-off' ? state.where.trim() : '';
    return write({
      kind: 'step-done',
      stepId: step!.id,
      ...(passed ? { passed } : {}),
      ...(where ? { where } : {}),
    });
  };

  /** The last pin of this step once more; at the lift, the first that was not seen molten. */
  const heatAgain = (): boolean => {
    if (step && turn?.lastDwell) return write({ kind: 'heat-on', stepId: step.id, pad: turn.lastDwell.pad });
    const back = held[0] === undefined ? null : stepHeating(steps, held[0]);
    return back !== null && write({ kind: 'step-back', stepId: back.id });
  };

  const run = (id: RunCommand): boolean => {
    switch (id) {
      case 'go':
        return go();
      case 'melted':
        if (!at.heating || !step || at.heating.melted_s !== null) return false;
        return write({ kind: 'melted', stepId: step.id, pad: at.heating.pad, elapsed_s: elapsed_s() });
      case 'again':
        return !at.heating && !closed && heatAgain();
      case 'back':
        if (at.heating || at.stepIndex === 0 || closed) return false;
        return write({ kind: 'step-back', stepId: steps[at.stepIndex - 1]!.id });
      case 'mark':
        dispatch({ type: 'marking', on: !state.marking });
        if (state.marking) return true;
        lands.current?.querySelector('svg')?.focus();
        if (state.pad === null)
          dispatch({ type: 'pad', pad: at.heating?.pad ?? padOf(step) ?? site.pads[0]!.name });
        return true;
      case 'take-back':
        if (at.heating) return false;
        dispatch({ type: 'open', what: 'take-back' });
        return true;
      case 'note':
        dispatch({ type: 'open', what: 'note' });
        return true;
      case 'why':
        dispatch({ type: 'open', what: state.open === 'why' ? 'nothing' : 'why' });
        return true;
      case 'stop-here':
        return pausing && !closed && pass(null);
      case 'close':
        if (closed || at.heating) return false;
        dispatch({ type: 'open', what: 'close' });
        return true;
    }
  };
  useCommands('run', RUN_COMMANDS, run);

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
        {state.offline && (
          <p className={css['offline']} role="status">
            Not saved yet: the bench computer does not answer. {state.unsent.length} entries are kept here and
            sent when it does. Clocks go on.
          </p>
        )}
        <ErrorNote error={state.error} />
        {round && <RoundStrip round={round} siteId={site.id} boardId={job.boardId} />}
        {leftToEnd ? (
          <GoingOn ref_={site.ref} nextRef={nextRef} next={next} boardId={job.boardId} onGo={go} />
        ) : closed ? (
          <Closed job={job} outcome={at.outcome ?? ''} onResume={() => write({ kind: 'resumed' })} />
        ) : (
          <Instruction
            step={step}
            index={at.stepIndex}
            count={steps.length}
            at={at}
            turn={turn}
            now_ms={now_ms}
            early={state.early}
            why={state.open === 'why'}
            tool={toolOf(job, step)}
            ways={
              pausing && nextRef !== null ? (
                <PauseStep nextRef={nextRef} run={run} />
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
            picture={<AsItLies site={site} board={sheet.board.construction} />}
            run={run}
          />
        )}
      </section>

      <section className={css['side']} aria-label="Lands and steps">
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
          {(['mark', 'back', 'note', 'take-back', 'close'] as const).map((id) => (
            <CommandButton
              key={id}
              small
              command={RUN_COMMANDS.find((c) => c.id === id)!}
              run={run}
              disabled={closed && id !== 'note' && id !== 'take-back'}
              pressed={id === 'mark' ? state.marking : undefined}
            />
          ))}
        </div>
        <StepList steps={steps} at={at} />
        {round && <RoundList round={round} siteId={site.id} />}
        <p className="quiet">
          {GOAL_WORDS[job.goal]}. {settingInWords(job.plan.phases[0]!.chosen)}.{' '}
          <a href={`/jobs/${job.id}/plan`}>Plan and done</a>
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
        onClose={() => dispatch({ type: 'open', what: 'nothing' })}
        onWrite={(closing) => {
          const goesOn = pausing && !UNFINISHED.has(closing.outcome);
          setEndedHere(goesOn);
          write({ kind: 'closed', ...closing, ...(goesOn ? { restAtEnd: true } : {}) });
        }}
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

/** Pads that a step takes in turn or draws over, to be seen on the lands. */
const rowOf = (step: JobStep | null): readonly string[] =>
  step === null ? [] : step.stroke.length > 0 ? step.stroke : step.inTurn;

/** A step's own pad; none where all are heated together. */
const padOf = (step: JobStep | null): string | null => (step?.pad === TOGETHER ? null : (step?.pad ?? null));

/** What the hand holds in a heating step, by the phase it belongs to. */
function toolOf(job: RunSheet['job'], step: JobStep | null): string {
  const { phases } = job.plan;
  const { chosen } = phases.find((p) => p.phase === step?.phase) ?? phases[0]!;
  if (chosen.nozzle) return 'Air';
  if (chosen.tip && 'inner_mm' in chosen.tip) return 'Gun';
  return chosen.method === 'tweezers' ? 'Tips' : 'Iron';
}
