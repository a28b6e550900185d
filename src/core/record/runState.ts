import type { MeasuredBy, Passed, RunEvent } from './runEvents';
import { standingEvents } from './standing';

/** What pads under heat together are called. */
export const TOGETHER = 'all';

/** What a job's record needs to know of a step of its plan. */
export interface RunStep {
  readonly id: string;
  readonly title: string;
  readonly kind: 'gate' | 'do' | 'heat' | 'wait' | 'inspect';
  readonly phase: 'remove' | 'reflow' | 'fit' | null;
  readonly pad: string | null;
  /** Pads that are heated in this step one after another, each with a clock of its own. */
  readonly inTurn: readonly string[];
  /** What the tool's display has to show; null or left out where nothing is read. */
  readonly reads_C?: number | null | undefined;
  /** What is different on the board once it is done. */
  readonly effect: 'part-off' | 'part-on' | null;
}

/** One touch of the iron, as logged. */
export interface Dwell {
  readonly stepId: string;
  readonly pad: string;
  readonly onSeq: number;
  readonly on_ms: number;
  readonly melted_s: number | null;
  readonly off_s: number | null;
  readonly meltedSeq: number | null;
  readonly offSeq: number | null;
  readonly exposure: {
    readonly padDose: number;
    readonly laminateDose: number;
    readonly peak_C: number;
    readonly measured?: MeasuredBy | undefined;
  } | null;
}

/** A step that was done: when, by whom, and what was passed over. */
interface StepDone {
  readonly seq: number;
  readonly at_ms: number;
  readonly by: string;
  /** When it became the current step. */
  readonly from_ms: number;
  readonly passed: Passed | null;
  readonly where: string;
  /** What was read off a display or a meter, with its unit; null where nothing was. */
  readonly read: string | null;
}

/** Where a job stands, read from its entries alone. */
export interface RunState {
  readonly status: 'running' | 'closed';
  readonly stepIndex: number;
  /** When the current step became current: its clock runs from here. */
  readonly stepStart_ms: number;
  readonly done: ReadonlyMap<string, StepDone>;
  readonly dwells: readonly Dwell[];
  readonly heating: Dwell | null;
  readonly outcome: string | null;
  /** When it was closed with its cleaning and drying left to the end of a whole board's job; null: it was not. */
  readonly leftToEnd_ms: number | null;
  readonly lastSeq: number;
}

/** A reading that a step was done with, as it was given. */
export function readingOf({ shown_C, left_V, again_V, supply }: Reading): string | null {
  if (shown_C !== undefined) return `display ${shown_C} °C`;
  if (left_V !== undefined)
    return again_V === undefined ? `${left_V} V left` : `${left_V} V left, ${again_V} V a minute later`;
  return supply
    ? `${supply.gives_V} V at the plug for ${supply.asks_V} V asked, limit ${supply.limit_A} A`
    : null;
}
type Reading = Pick<Extract<RunEvent, { kind: 'step-done' }>, 'shown_C' | 'left_V' | 'again_V' | 'supply'>;

type Open<T> = { -readonly [Key in keyof T]: T[Key] };

/** Folds a job's entries, in order, into where it stands. Its own maps and lists are filled in place, once. */
export function runState(steps: readonly Pick<RunStep, 'id'>[], events: readonly RunEvent[]): RunState {
  const indexOf = new Map(steps.map((step, i) => [step.id, i]));
  const done = new Map<string, StepDone>();
  const dwells: Open<Dwell>[] = [];
  let heating: Open<Dwell> | null = null;
  let status: RunState['status'] = 'running';
  let stepIndex = 0;
  let stepStart_ms = events[0]?.at_ms ?? 0;
  let outcome: string | null = null;
  let leftToEnd_ms: number | null = null;
  const lastOn = (pad: string): Open<Dwell> | undefined => dwells.findLast((d) => d.pad === pad);

  for (const event of standingEvents(events)) {
    switch (event.kind) {
      case 'opened':
        stepStart_ms = event.at_ms;
        break;
      case 'step-done': {
        const { seq, at_ms, by, passed = null, where = '' } = event;
        done.set(event.stepId, {
          seq,
          at_ms,
          by,
          from_ms: stepStart_ms,
          passed,
          where,
          read: readingOf(event),
        });
        stepIndex = Math.max(stepIndex, (indexOf.get(event.stepId) ?? -1) + 1);
        stepStart_ms = at_ms;
        break;
      }
      case 'step-back':
        stepIndex = indexOf.get(event.stepId) ?? -1;
        for (const { id } of steps.slice(stepIndex)) done.delete(id);
        stepStart_ms = event.at_ms;
        break;
      case 'heat-on':
        heating = {
          stepId: event.stepId,
          pad: event.pad,
          onSeq: event.seq,
          on_ms: event.at_ms,
          melted_s: null,
          off_s: null,
          meltedSeq: null,
          offSeq: null,
          exposure: null,
        };
        dwells.push(heating);
        break;
      case 'melted': {
        const dwell = lastOn(event.pad);
        if (!dwell) break;
        dwell.melted_s = event.elapsed_s;
        dwell.meltedSeq = event.seq;
        break;
      }
      case 'heat-off': {
        const dwell = lastOn(event.pad);
        if (dwell) {
          dwell.off_s = event.elapsed_s;
          dwell.offSeq = event.seq;
        }
        heating = null;
        break;
      }
      case 'exposure': {
        const { ofSeq, padDose, laminateDose, peak_C, measured } = event;
        // Pads heated together have an entry each; the heating keeps the worst of them.
        const together = dwells.at(-1)?.pad === TOGETHER;
        const dwell =
          ofSeq === undefined
            ? lastOn(together ? TOGETHER : event.pad)
            : dwells.find((d) => d.onSeq === ofSeq);
        if (dwell && !(dwell.exposure && dwell.exposure.padDose >= padDose))
          dwell.exposure = { padDose, laminateDose, peak_C, ...(measured && { measured }) };
        break;
      }
      case 'correction':
        for (const dwell of dwells) {
          if (dwell.meltedSeq === event.ofSeq) dwell.melted_s = event.elapsed_s;
          if (dwell.offSeq === event.ofSeq) dwell.off_s = event.elapsed_s;
        }
        break;
      case 'closed':
        status = 'closed';
        outcome = event.outcome;
        leftToEnd_ms = event.restAtEnd === true ? event.at_ms : null;
        heating = null;
        break;
      case 'resumed':
        status = 'running';
        outcome = null;
        leftToEnd_ms = null;
        stepStart_ms = event.at_ms;
        break;
      case 'note':
      case 'taken-back':
        break;
    }
  }
  const lastSeq = events.at(-1)?.seq ?? 0;
  return { status, stepIndex, stepStart_ms, done, dwells, heating, outcome, leftToEnd_ms, lastSeq };
}

/** Doses of finished jobs and running ones, summed by pad; the laminate's by its worst pad. */
export function spentDoses(jobs: readonly (readonly RunEvent[])[]): {
  padDose: Record<string, number>;
  laminateDose: number;
} {
  const padDose: Record<string, number> = {};
  const laminate: Record<string, number> = {};
  for (const event of jobs.flatMap(standingEvents)) {
    if (event.kind !== 'exposure') continue;
    padDose[event.pad] = (padDose[event.pad] ?? 0) + event.padDose;
    laminate[event.pad] = (laminate[event.pad] ?? 0) + event.laminateDose;
  }
  return { padDose, laminateDose: Math.max(0, ...Object.values(laminate)) };
}

/** Pads of a removal whose melt nobody saw in their last heating: they may still hold. */
export function notSeenMolten(state: Pick<RunState, 'dwells'>, steps: readonly RunStep[]): string[] {
  // A part that was cut or twisted off left before any heat: nothing hot held it.
  const off = steps.findIndex((step) => step.effect === 'part-off');
  return (off < 0 ? steps : steps.slice(0, off))
    .filter((step) => step.kind === 'heat' && step.phase === 'remove')
    .flatMap((step) => {
      const pads = step.inTurn.length > 0 ? step.inTurn : step.pad === null ? [] : [step.pad];
      return pads.filter(
        (pad) => state.dwells.findLast((d) => d.stepId === step.id && d.pad === pad)?.melted_s == null,
      );
    });
}
