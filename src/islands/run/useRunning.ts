import { useEffect, useState, type Dispatch, type RefObject } from 'react';
import { useStore } from '@nanostores/react';
import { chargeRefusal, isChargeGate } from '~/core/record/chargeGate';
import { isSupplyGate, supplyRefusal } from '~/core/record/supplyGate';
import { readBackRefusal } from '~/core/record/readBack';
import { UNFINISHED } from '~/core/record/outcomes';
import { PAUSE_STEP } from '~/core/record/round';
import type { Passed } from '~/core/record/runEvents';
import type { RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { RunSheet } from '~/schema/sheets/runSheet';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { $railLines } from '~/islands/rail/railStore';
import { useCommands } from '~/ui/keyboard/useCommands';
import { $by, $spoken, setSpoken, SIGN_FIRST } from '~/ui/preferences';
import { canSpeak } from './spoken';
import type { Closing } from './CloseDialog';
import { RUN_COMMANDS, type RunCommand } from './commands';
import { coolingLeft_ms, isSurprising } from './HeatStep';
import { degreesIn, supplyIn, supplyReadIn, voltsIn } from './shown';
import type { RunAction, RunViewState } from './state';
import { heldAt, padOf, stepHeating, turnOf, type Turn } from './turn';
import type { Clock } from './useNow';
import { waitEnd_ms } from './waitEnd';
import { useNextPart, type NextPart } from './useNextPart';
import { steadyNow_ms } from '~/ui/steadyNow';
import { newKey } from '~/ui/newKey';

interface Running {
  /** Where a heating step stands; null for any other. */
  readonly turn: Turn | null;
  /** Pins that may still hold where the step takes the part off. */
  readonly held: readonly string[];
  /** The step stands between two parts of a whole board's job. */
  readonly pausing: boolean;
  /** It was closed with its cleaning left to the end of a whole board's job. */
  readonly leftToEnd: boolean;
  /** The next part of the whole board's job; null where there is none. */
  readonly nextRef: string | null;
  readonly next: NextPart;
  readonly run: (id: RunCommand) => boolean;
  readonly write: (event: WritableEvent) => boolean;
  readonly pass: (passed: Passed | null) => boolean;
  /** Ends the job and plans it anew at what the station is set to, °C. */
  readonly replan: (set_C: number) => void;
  /** Ends the step's clock before its time, and why. */
  readonly endEarly: (reason: string) => void;
  readonly close: (closing: Closing) => void;
}

/** What keys and buttons of a running job do: every press is an entry in the record. */
export function useRunning(
  sheet: RunSheet,
  state: RunViewState,
  at: RunState,
  step: JobStep | null,
  clock: Clock,
  lands: RefObject<HTMLDivElement | null>,
  dispatch: Dispatch<RunAction>,
): Running {
  const { job, site, round } = sheet;
  const { steps } = job.plan;
  const closed = at.status === 'closed';
  const by = useStore($by);
  // What is next was read before this part was done.
  const nextRef = round?.lines.find((l) => l.status !== 'done' && l.siteId !== site.id)?.ref ?? null;
  const pausing = step?.id === PAUSE_STEP && nextRef !== null;
  const leftToEnd = closed && at.leftToEnd_ms !== null;
  const [endedHere, setEndedHere] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const [replanAt, setReplanAt] = useState<number | null>(null);
  const { next, begin } = useNextPart(
    sheet,
    by,
    leftToEnd && endedHere && nextRef !== null && state.unsent.length === 0,
  );
  const turn = step?.kind === 'heat' ? turnOf(step, at) : null;
  const held = heldAt(step, steps, at);
  const waitLeft_ms = (): number =>
    step?.kind === 'wait' && step.wait_s !== null
      ? waitEnd_ms($railLines.get(), job.id, step, at) - clock.read_ms()
      : 0;

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
      entry: { clientId: newKey(), by, at_ms: Math.round(steadyNow_ms() + state.skew_ms), event },
    });
    return true;
  };
  const elapsed_s = (): number => Math.max(0, (steadyNow_ms() + state.skew_ms - at.heating!.on_ms) / 1000);

  /** Something stands against it: the second press means it. */
  const ask = (): boolean => {
    dispatch({ type: 'early' });
    return true;
  };

  const go = (): boolean => {
    if (closed) return leftToEnd && nextRef !== null && begin();
    if (pausing) return close({ outcome: 'fixed', cause: '' });
    if (!step) {
      dispatch({ type: 'open', what: 'close' });
      return true;
    }
    if (at.heating)
      return write({ kind: 'heat-off', stepId: step.id, pad: at.heating.pad, elapsed_s: elapsed_s() });
    if (turn?.pad != null) return write({ kind: 'heat-on', stepId: step.id, pad: turn.pad });
    if (step.reads_C !== null && readBackRefusal(step.reads_C, degreesIn(state.shown))) return ask();
    if (isChargeGate(step.id) && chargeRefusal(voltsIn(state.shown), voltsIn(state.again))) return ask();
    if (isSupplyGate(step.id) && supplyRefusal(supplyIn(state.supply))) return ask();
    if (waitLeft_ms() > 0 || (held.length > 0 && !state.early)) return ask();
    return pass(held.length > 0 ? { kind: 'moved-freely' } : null);
  };
  const endEarly = (reason: string): void => {
    const left_s = Math.max(0, waitLeft_ms() / 1000);
    pass(left_s > 0 ? { kind: 'early', left_s, reason } : null);
  };
  /** A part that is done leaves its cleaning to the end and goes on to the next. */
  const close = (closing: Closing): boolean => {
    const goesOn = pausing && !UNFINISHED.has(closing.outcome);
    setEndedHere(goesOn);
    return write({ kind: 'closed', ...closing, ...(goesOn ? { restAtEnd: true } : {}) });
  };
  const pass = (passed: Passed | null): boolean => {
    const shown_C = step?.reads_C == null ? undefined : degreesIn(state.shown);
    const [left_V, again_V] = isChargeGate(step?.id)
      ? [voltsIn(state.shown), voltsIn(state.again)]
      : [undefined, undefined];
    const supply = isSupplyGate(step?.id) ? supplyReadIn(state.supply) : null;
    const where = step?.effect === 'part-off' ? state.where.trim() : '';
    return write({
      kind: 'step-done',
      stepId: step!.id,
      ...(passed ? { passed } : {}),
      ...(where ? { where } : {}),
      ...(shown_C === undefined ? {} : { shown_C }),
      ...(left_V === undefined ? {} : { left_V }),
      ...(again_V === undefined ? {} : { again_V }),
      ...(supply ? { supply } : {}),
    });
  };

  /** Nothing is heated at a setting that nobody planned: the job ends here, and its next plan begins at what is set. */
  const replan = (set_C: number): void => {
    const outcome = at.dwells.length > 0 ? 'part-done' : 'unchanged';
    write({ kind: 'closed', outcome, cause: `Planned again: the station is set to ${set_C} °C.` });
    setReplanAt(set_C);
  };
  const sent = state.unsent.length === 0;
  useEffect(() => {
    if (leaving && sent) window.location.assign('/');
  }, [leaving, sent]);
  useEffect(() => {
    if (replanAt !== null && closed && sent)
      window.location.assign(`/sites/${site.id}/plan?goal=${job.goal}&at=${replanAt}`);
  }, [replanAt, closed, sent]);

  /** The last pin of this step once more; at the lift, the first that was not seen molten. */
  const heatAgain = (): boolean => {
    if (coolingLeft_ms(turn?.lastDwell ?? null, clock.read_ms()) > 0 && !state.early) return ask();
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
        if (step.dwell && isSurprising(elapsed_s(), step.dwell) && !state.early) return ask();
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
      case 'speak':
        if (!canSpeak()) return false;
        setSpoken(!$spoken.get());
        return true;
      case 'pause':
        // What is under heat is not left alone.
        if (closed || at.heating) return false;
        // Without initials nothing is written, and that is said here.
        setLeaving(by !== '');
        return write({ kind: 'note', text: `Paused at: ${step?.title ?? 'the end'}.` });
      case 'photo':
        if (at.heating) return false;
        window.location.assign(`/boards/${job.boardId}/photos`);
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
  return { turn, held, pausing, leftToEnd, nextRef, next, run, write, pass, endEarly, replan, close };
}
