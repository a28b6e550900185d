import { useReady } from '~/ui/useReady';
import { useEffect, useReducer, useRef } from 'react';
import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import { TOGETHER } from '~/core/record/runState';
import { isSurfaceInput } from '~/schema/exchange/si/part';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { RunSheet } from '~/schema/sheets/runSheet';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { GOAL_WORDS } from '~/schema/words/words';
import { settingInWords } from '~/schema/words/settingWords';
import { Button, ButtonLink, CommandButton } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { AsItLies } from '~/ui/face/AsItLies';
import { useCommands } from '~/ui/keyboard/useCommands';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { UNMARKED, padState } from '~/islands/findings/marking';
import { useMarking } from '~/islands/findings/useMarking';
import { CloseDialog } from './CloseDialog';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { Instruction } from './Instruction';
import { NoteDialog } from './NoteDialog';
import { reduce, standing } from './state';
import { StepList } from './StepList';
import { useNow } from './useNow';
import { useOutbox } from './useOutbox';
import css from './run.module.css';

/** One job, one step at a time: an instruction, a target, a clock; every press is an entry in the record. */
export function RunView({ sheet }: { sheet: RunSheet }) {
  const { job, site } = sheet;
  const { steps } = job.plan;
  const stepIds = steps.map((s) => s.id);
  const [state, dispatch] = useReducer(reduce, {
    events: sheet.events,
    unsent: [],
    skew_ms: 0,
    findings: sheet.findings,
    ...UNMARKED,
    early: false,
    open: 'nothing',
    offline: false,
  });
  const ready = useReady();
  const lands = useRef<HTMLDivElement>(null);
  useOutbox(job.id, state, dispatch);
  useEffect(() => {
    dispatch({ type: 'caught-up', events: sheet.events, skew_ms: sheet.now_ms - Date.now() });
  }, [sheet]);

  const at = standing(state, stepIds);
  const step = steps[at.stepIndex] ?? null;
  const closed = at.status === 'closed';
  const now_ms = useNow(state.skew_ms, !closed, sheet.now_ms);
  const lastDwell =
    step?.kind === 'heat'
      ? (at.dwells.findLast((d) => d.stepId === step.id && d.on_ms >= at.stepStart_ms) ?? null)
      : null;
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
    if (step.kind === 'heat' && !lastDwell)
      return write({ kind: 'heat-on', stepId: step.id, pad: step.pad! });
    if (waitLeft_ms > 0 && !state.early) {
      dispatch({ type: 'early' });
      return true;
    }
    return write({ kind: 'step-done', stepId: step.id });
  };

  const run = (id: RunCommand): boolean => {
    switch (id) {
      case 'go':
        return go();
      case 'melted':
        if (!at.heating || !step || at.heating.melted_s !== null) return false;
        return write({ kind: 'melted', stepId: step.id, pad: at.heating.pad, elapsed_s: elapsed_s() });
      case 'again':
        if (step?.kind !== 'heat' || at.heating || !lastDwell) return false;
        return write({ kind: 'heat-on', stepId: step.id, pad: step.pad! });
      case 'back':
        if (at.heating || at.stepIndex === 0 || closed) return false;
        return write({ kind: 'step-back', stepId: stepIds[at.stepIndex - 1]! });
      case 'land':
        lands.current?.querySelector('svg')?.focus();
        dispatch({ type: 'pad', pad: state.pad ?? padOf(step) ?? site.pads[0]!.name });
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

  const { mark, choose, take } = useMarking({
    site,
    run: state.run,
    pending: state.pending,
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
          <Closed outcome={at.outcome ?? ''} boardId={job.boardId} siteId={site.id} />
        ) : (
          <Instruction
            step={step}
            index={at.stepIndex}
            count={steps.length}
            at={at}
            lastDwell={lastDwell}
            now_ms={now_ms}
            early={state.early}
            why={state.open === 'why'}
            tool={toolOf(job, step)}
            picture={<AsItLies site={site} board={sheet.board.construction} />}
            run={run}
          />
        )}
      </section>

      <section className={css['side']} aria-label="Lands and steps">
        <div className={css['lands']} ref={lands}>
          <LandDrawing
            part={site.package}
            from={isSurfaceInput(site.package) ? 'part side' : 'solder side'}
            selected={state.pad ?? padOf(step) ?? null}
            run={state.run}
            choosing={state.pending !== null}
            onSelect={choose}
            onRun={take}
            onState={mark}
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
        <div className={css['finding']}>
          {state.pending ? (
            <p role="status">
              {PAD_STATES[state.pending.state].name}: choose the other pad; Enter settles it.
            </p>
          ) : (
            <p role="status">
              {state.pad && selectedState ? (
                <>
                  Pin {state.pad}: <strong>{PAD_STATES[selectedState].name}</strong>
                </>
              ) : (
                'Choose a pad, then a letter, to record a finding.'
              )}
            </p>
          )}
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
          {(['back', 'note', 'close'] as const).map((id) => (
            <CommandButton
              key={id}
              small
              command={RUN_COMMANDS.find((c) => c.id === id)!}
              run={run}
              disabled={closed && id !== 'note'}
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
        onWrite={(outcome, cause) => write({ kind: 'closed', outcome, cause })}
      />
    </div>
  );
}

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

function Closed({ outcome, boardId, siteId }: { outcome: string; boardId: string; siteId: string }) {
  return (
    <div className={css['closed']}>
      <h2>Closed: {outcome}</h2>
      <p>The ledger of the board has every entry of this job.</p>
      <div className={css['buttons']}>
        <ButtonLink href={`/boards/${boardId}`} look="primary">
          To the board
        </ButtonLink>
        <ButtonLink href={`/sites/${siteId}/plan`}>Plan again</ButtonLink>
        <Button look="plain" onClick={() => window.print()}>
          Print
        </Button>
      </div>
    </div>
  );
}
