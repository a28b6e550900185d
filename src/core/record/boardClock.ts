/** What a board can be given time for. */
export const CLOCK_KINDS = [
  'pre-warm',
  'soak',
  'cool-down',
  'solvent',
  'wash',
  'oven',
  'cure',
  'soak-test',
  'come-back',
] as const;
export type ClockKind = (typeof CLOCK_KINDS)[number];

/** What must not be done while a clock runs. */
export type ClockGate = 'power' | 'hand-back';

interface ClockTraits {
  readonly name: string;
  /** What is allowed, and done, once it has ended. */
  readonly then: string;
  /** Handing back waits for whatever power waits for too. */
  readonly gates: ClockGate | null;
  /** It goes on where the job that began it is closed. */
  readonly outlivesJob: boolean;
  /** How long where nothing better is known, s; null: it is always said. */
  readonly usual_s: number | null;
  /** Where the usual length is from. */
  readonly usually: string;
}

const MINUTE_s = 60;
const HOUR_s = 3600;

export const CLOCKS: Readonly<Record<ClockKind, ClockTraits>> = {
  'pre-warm': {
    name: 'Pre-warm',
    then: 'Warm: go on',
    gates: null,
    outlivesJob: false,
    usual_s: null,
    usually: '',
  },
  soak: {
    name: 'Soak',
    then: 'Soaked: go on',
    gates: null,
    outlivesJob: false,
    usual_s: null,
    usually: '',
  },
  'cool-down': {
    name: 'Cool-down',
    then: 'Cool: clean it',
    gates: null,
    outlivesJob: true,
    usual_s: 5 * MINUTE_s,
    usually: 'a warmed board, until it can be touched (common practice)',
  },
  solvent: {
    name: 'Solvent drying',
    then: 'Dry: look at it, then power',
    gates: 'power',
    outlivesJob: true,
    usual_s: 4 * MINUTE_s,
    usually: 'more than three minutes for what hides (common practice)',
  },
  wash: {
    name: 'Wash',
    then: 'Rinse with alcohol, then the low oven',
    gates: 'power',
    outlivesJob: true,
    usual_s: 15 * MINUTE_s,
    usually: 'ultrasonic at 50 °C (common practice)',
  },
  oven: {
    name: 'Low oven',
    then: 'Dry: out of the oven, let it cool',
    gates: 'power',
    outlivesJob: true,
    usual_s: 2 * HOUR_s,
    usually: 'a couple of hours after a wash (common practice)',
  },
  cure: {
    name: 'Cure',
    then: 'Cured: it may be loaded and heated',
    gates: 'hand-back',
    outlivesJob: true,
    usual_s: 24 * HOUR_s,
    usually: 'two-part epoxy in the room (common practice); its own sheet goes first',
  },
  'soak-test': {
    name: 'Soak test',
    then: 'Look how it did, and write it down',
    gates: 'hand-back',
    outlivesJob: true,
    usual_s: null,
    usually: '',
  },
  'come-back': {
    name: 'Come back',
    then: 'Take it up again',
    gates: null,
    outlivesJob: true,
    usual_s: null,
    usually: '',
  },
};

/** A clock of a board as it stands; it outlasts whatever began it. */
export interface BoardClock {
  readonly id: string;
  readonly kind: ClockKind;
  /** In its own words: what dries, cures or is tested. */
  readonly what: string;
  readonly siteId: string | null;
  readonly jobId: string | null;
  readonly stepId: string | null;
  readonly started_ms: number;
  readonly due_ms: number;
  readonly ended_ms: number | null;
}

/** What the clocks of a board are written by. */
export type ClockEntryBody =
  | {
      readonly kind: 'clock-started';
      readonly clock: ClockKind;
      readonly what: string;
      readonly siteId: string | null;
      readonly jobId: string | null;
      readonly stepId: string | null;
      readonly length_s: number;
    }
  /** It ends at another time than was thought. */
  | {
      readonly kind: 'clock-moved';
      readonly clockId: string;
      readonly due_ms: number;
      readonly reason: string;
    }
  | { readonly kind: 'clock-ended'; readonly clockId: string; readonly reason: string };

type ClockEntry = ClockEntryBody & { readonly id: string; readonly at_ms: number };

/** A board's clocks after one further entry; a clock is named by the entry that began it. */
export function withClockEntry(clocks: readonly BoardClock[], entry: ClockEntry): BoardClock[] {
  switch (entry.kind) {
    case 'clock-started': {
      const { id, at_ms, clock, what, siteId, jobId, stepId, length_s } = entry;
      const due_ms = at_ms + Math.round(length_s * 1000);
      const began = {
        id,
        kind: clock,
        what,
        siteId,
        jobId,
        stepId,
        started_ms: at_ms,
        due_ms,
        ended_ms: null,
      };
      return [...clocks, began];
    }
    case 'clock-moved':
      return clocks.map((c) => (c.id === entry.clockId ? { ...c, due_ms: entry.due_ms } : c));
    case 'clock-ended':
      return clocks.map((c) => (c.id === entry.clockId ? { ...c, ended_ms: entry.at_ms } : c));
  }
}

/** Why an entry may not be written of these clocks now; null where it may. */
export function clockRefusal(
  clocks: readonly BoardClock[],
  entry: ClockEntryBody,
  now_ms: number,
): string | null {
  if (entry.kind === 'clock-started') return null;
  const clock = clocks.find((c) => c.id === entry.clockId);
  if (!clock || clock.ended_ms !== null) return 'that clock has been ended already';
  if (entry.kind === 'clock-moved')
    return entry.due_ms === clock.due_ms ? 'it ends then as it is; give another time' : null;
  if (clock.stepId !== null && clock.due_ms <= now_ms) return null;
  return clock.due_ms > now_ms && entry.reason === ''
    ? 'it has not run down; say why it is ended early'
    : null;
}

/** Clocks that have not run down and stand against this. */
export const against = (clocks: readonly BoardClock[], what: ClockGate, now_ms: number): BoardClock[] =>
  clocks.filter(({ kind, due_ms, ended_ms }) => {
    const { gates } = CLOCKS[kind];
    return (
      ended_ms === null && due_ms > now_ms && (gates === what || (what === 'hand-back' && gates !== null))
    );
  });

/** What a job asks of its board's clocks. */
export interface JobClock {
  readonly kind: ClockKind;
  readonly stepId: string;
  readonly length_s: number;
}

/** Which kind of clock a step of a plan waits by. */
export function clockKindOf(stepId: string): ClockKind {
  if (/(^|-)preheat$/.test(stepId)) return 'soak';
  if (/(^|-)cool$/.test(stepId)) return 'cool-down';
  if (/(^|-)dry$/.test(stepId)) return 'solvent';
  if (/(^|-)wash$/.test(stepId)) return 'wash';
  if (/(^|-)oven$/.test(stepId)) return 'oven';
  return 'come-back';
}

/**
 * What a job's entry changes of the clocks that it began: one starts with the wait that became its step, those of other
 * steps end; with the job, those end that are of no use without it.
 */
export function clocksOfJob(
  job: {
    readonly status: 'running' | 'closed';
    /** The step that is now waited in, and since when. */
    readonly wait: (JobClock & { readonly from_ms: number }) | null;
  },
  begun: readonly BoardClock[],
): { readonly start: JobClock | null; readonly end: readonly BoardClock[] } {
  const { wait } = job;
  const isOfNow = (c: BoardClock): boolean => c.stepId === wait?.stepId && c.started_ms >= wait.from_ms;
  const running = begun.filter((c) => c.ended_ms === null);
  if (job.status === 'closed')
    return { start: null, end: running.filter(({ kind }) => !CLOCKS[kind].outlivesJob) };
  return {
    start: wait !== null && !begun.some(isOfNow) ? wait : null,
    end: running.filter((c) => !isOfNow(c)),
  };
}
