import { useReady } from '~/ui/useReady';
import { useEffect, useReducer, useRef } from 'react';
import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import { keepsPart } from '~/core/method/goals';
import { UNFINISHED } from '~/core/record/outcomes';
import type { Passed } from '~/core/record/runEvents';
import { TOGETHER } from '~/core/record/runState';
import { isSurfaceInput } from '~/schema/exchange/si/part';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { RunSheet } from '~/schema/sheets/runSheet';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { GOAL_WORDS, outcomeInWords } from '~/schema/words/words';
import { settingInWords } from '~/schema/words/settingWords';
import { Button, ButtonLink, CommandButton } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { AsItLies } from '~/ui/face/AsItLies';
import { useCommands } from '~/ui/keyboard/useCommands';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { UNMARKED, padState } from '~/islands/findings/marking';
import { useMarking } from '~/islands/findings/useMarking';
import { MarkingBanner } from '~/islands/findings/MarkingBanner';
import { CloseDialog } from './CloseDialog';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { Instruction } from './Instruction';
import { NoteDialog } from './NoteDialog';
import { LiftGate } from './LiftGate';
import { reduce, standing } from './state';
import { TakeBackDialog } from './TakeBackDialog';
import { heldAt, stepHeating, turnOf } from './turn';
import { StepList } from './StepList';
import { useNow } from './useNow';
import { useOutbox } from './useOutbox';
import css from './run.module.css';

/** One job, one step at a time: an instruction, a target, a clock; every press is an entry in the record. */
export function RunView({ sheet }: { sheet: RunSheet }) {
  const { job, site } = sheet;
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
    if (closed) return false;
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
      case 'close':
        if (closed || at.heating) return false;
        dispatch({ type: 'open', what: 'close' });
        return true;
    }
  };
  useCommands('run', RUN_COMMANDS, run);

  const { mark, choose, take, takeBack } = useMarking({
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
  const selectedState = state.pad
    ? padState(state.findings, site.pads.find((p) => p.name === state.pad)?.id ?? '')
    : null;

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
        {closed ? (
          <Closed
            outcome={at.outcome ?? ''}
            jobId={job.id}
            boardId={job.boardId}
            siteId={site.id}
            onResume={() => write({ kind: 'resumed' })}
          />
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
            lift={
              step?.effect === 'part-off' ? (
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
        <div className={css['lands']} ref={lands}>
          <LandDrawing
            part={site.package}
            empty={isOff ? 'the part is off' : undefined}
            from={isSurfaceInput(site.package) ? 'part side' : 'solder side'}
            selected={state.pad ?? at.heating?.pad ?? turn?.pad ?? padOf(step) ?? null}
            run={state.run.length > 0 ? state.run : rowOf(step)}
            choosing={state.pending !== null}
            onSelect={choose}
            onRun={take}
            pads={site.pads.map((p) => {
              const dwell = at.dwells.findLast((d) => d.pad === p.name || d.pad === TOGETHER);
              return {
                name: p.name,
                net: p.net,
                connections: p.connections,
                state: padState(state.findings, p.id),
                note: dwell?.melted_s != null ? `${dwell.melted_s.toFixed(1)} s` : undefined,
              };
            })}
          />
        </div>
        <MarkingBanner state={state} dispatch={dispatch} />
        <div className={css['finding']}>
          <p role="status">
            {state.pad && selectedState ? (
              <>
                Pin {state.pad}: <strong>{PAD_STATES[selectedState].name}</strong>
              </>
            ) : (
              'Choose a pad to record a finding on it.'
            )}
          </p>
          {state.pad && (
            <select
              aria-label={`Finding on pin ${state.pad}`}
              value=""
              onChange={(event) => event.target.value && mark(state.pad!, event.target.value as PadStateId)}
            >
              <option value="">Mark pin {state.pad}</option>
              {Object.entries(PAD_STATES).map(([id, s]) => (
                <option key={id} value={id}>
                  {s.letter} · {s.name}
                </option>
              ))}
            </select>
          )}
        </div>
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
        unfinished={step !== null}
        onClose={() => dispatch({ type: 'open', what: 'nothing' })}
        onWrite={(closing) => write({ kind: 'closed', ...closing })}
      />
      <TakeBackDialog
        isOpen={state.open === 'take-back'}
        events={state.events}
        steps={steps}
        findings={state.findings.filter((f) => f.jobId === job.id)}
        padName={(id) => site.pads.find((p) => p.id === id)?.name ?? '?'}
        onClose={() => dispatch({ type: 'open', what: 'nothing' })}
        onWrite={write}
        onFinding={takeBack}
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

function Closed({
  outcome,
  jobId,
  boardId,
  siteId,
  onResume,
}: {
  outcome: string;
  jobId: string;
  boardId: string;
  siteId: string;
  onResume: () => void;
}) {
  const unfinished = UNFINISHED.has(outcome);
  return (
    <div className={css['closed']}>
      <h2>Closed: {outcomeInWords(outcome)}</h2>
      <p>
        {unfinished
          ? 'What was not done stays on the board’s open work. The job can go on where it stood.'
          : 'Its steps, heats and findings are in the ledger of the board.'}
      </p>
      <div className={css['buttons']}>
        {unfinished && (
          <Button look="primary" onClick={onResume}>
            Go on with it
          </Button>
        )}
        <ButtonLink href={`/boards/${boardId}`} look={unfinished ? 'outline' : 'primary'}>
          To the board
        </ButtonLink>
        <ButtonLink href={`/sites/${siteId}/plan`}>Plan again</ButtonLink>
        <ButtonLink href={`/jobs/${jobId}/plan`}>Job sheet</ButtonLink>
      </div>
    </div>
  );
}
