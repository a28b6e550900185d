import type { Check } from '~/core/electrical/checklist';
import type { FindingRecord } from '~/schema/records/site/finding';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';

export interface CheckState {
  /** Which check of the list the probes are on. */
  readonly at: number;
  /** What was typed so far. */
  readonly entry: string;
  /** What is wrong with what was typed. */
  readonly fault: string | null;
  readonly readings: readonly ContinuityReadingRecord[];
  readonly findings: readonly FindingRecord[];
  /** The reading under way to the record, as it was typed; null where none is. */
  readonly sending: string | null;
  /** Entered and not sent yet, in their order: each is for the check after the one before. */
  readonly held: readonly string[];
  readonly error: unknown;
}

export type CheckAction =
  | { readonly type: 'go'; readonly to: number }
  | { readonly type: 'type'; readonly entry: string }
  | { readonly type: 'refuse'; readonly fault: string }
  | { readonly type: 'send' }
  | { readonly type: 'send-held' }
  | { readonly type: 'retry' }
  | {
      readonly type: 'taken';
      readonly reading: ContinuityReadingRecord;
      readonly finding: FindingRecord | null;
      readonly next: number;
    }
  | { readonly type: 'failed'; readonly error: unknown };

export function reduce(state: CheckState, action: CheckAction): CheckState {
  switch (action.type) {
    case 'go':
      return { ...state, at: action.to, entry: '', fault: null, error: null };
    case 'type':
      return { ...state, entry: action.entry, fault: null };
    case 'refuse':
      return { ...state, fault: action.fault };
    case 'send':
      return { ...state, held: [...state.held, state.entry], entry: '', fault: null, error: null };
    case 'retry':
      return { ...state, error: null };
    case 'send-held':
      return { ...state, sending: state.held[0] ?? null, held: state.held.slice(1) };
    case 'taken': {
      const after = {
        ...state,
        readings: [...state.readings, action.reading],
        findings: action.finding ? [...state.findings, action.finding] : state.findings,
        at: action.next,
        sending: null,
      };
      const [first] = state.held;
      // The probes stay on a check that is not good: whose the readings after it are, only the hand knows.
      return first === undefined || action.reading.verdict === 'good'
        ? after
        : { ...after, entry: state.entry || first, held: [], fault: notRecorded(state.held) };
    }
    case 'failed':
      return {
        ...state,
        held: state.sending === null ? state.held : [state.sending, ...state.held],
        sending: null,
        error: action.error,
      };
  }
}

const notRecorded = (held: readonly string[]): string =>
  `${held.join(', ')} came before the last reading was judged and is not recorded: press Enter if it is for these probes`;

/** Whether the first reading that waits may be recorded: nothing is under way, and nothing failed before it. */
export const mayFollow = (state: CheckState): boolean =>
  state.held.length > 0 && state.sending === null && state.error === null;

/** The newest reading of a check; null where none was taken. */
export const readingOf = (
  readings: readonly ContinuityReadingRecord[],
  check: Check,
): ContinuityReadingRecord | null =>
  readings.findLast(
    (r) => r.kind === check.kind && r.padId === check.pad.id && r.otherPadId === check.other.id,
  ) ?? null;

/** The first check from `from` on, round and round, that has no reading yet; `from` where all have. */
export function nextOpen(
  checks: readonly Check[],
  readings: readonly ContinuityReadingRecord[],
  from: number,
): number {
  for (let step = 0; step < checks.length; step++) {
    const at = (from + step) % checks.length;
    if (readingOf(readings, checks[at]!) === null) return at;
  }
  return Math.min(from, checks.length - 1);
}
