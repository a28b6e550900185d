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
  readonly sending: boolean;
  readonly error: unknown;
}

export type CheckAction =
  | { readonly type: 'go'; readonly to: number }
  | { readonly type: 'type'; readonly entry: string }
  | { readonly type: 'refuse'; readonly fault: string }
  | { readonly type: 'send' }
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
      return { ...state, sending: true, error: null };
    case 'taken':
      return {
        ...state,
        readings: [...state.readings, action.reading],
        findings: action.finding ? [...state.findings, action.finding] : state.findings,
        at: action.next,
        entry: '',
        fault: null,
        sending: false,
      };
    case 'failed':
      return { ...state, sending: false, error: action.error };
  }
}

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
