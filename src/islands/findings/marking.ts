import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import { presentFindings, worstByPad, worstState } from '~/core/record/padFindings';
import type { FindingRecord } from '~/schema/records/site/finding';

/** A finding that waits for its other pad. */
export interface Pending {
  readonly padId: string;
  readonly state: PadStateId;
}

export type FoundAs = FindingRecord['foundAs'];

/** The part of a screen's state that marking moves. */
export interface Marking {
  readonly pad: string | null;
  /** Pads taken together, in the order they were taken; the chosen one alone where there are no more. */
  readonly run: readonly string[];
  readonly pending: Pending | null;
  /** Letters record findings: nothing else makes them do so. */
  readonly marking: boolean;
  /** Pads on which a repair was claimed once: the second word records it. */
  readonly claim: readonly string[] | null;
  readonly findings: readonly FindingRecord[];
  /** What the last mark was made into, where that is not what was pressed. */
  readonly told: string | null;
  readonly error: unknown;
}

export type MarkingAction =
  | { readonly type: 'pad'; readonly pad: string }
  | { readonly type: 'run'; readonly pads: readonly string[] }
  | { readonly type: 'needs-other'; readonly padId: string; readonly state: PadStateId }
  | { readonly type: 'found'; readonly findings: readonly FindingRecord[]; readonly told: string | null }
  | { readonly type: 'claim'; readonly pads: readonly string[] }
  | { readonly type: 'marking'; readonly on: boolean }
  | { readonly type: 'forget' }
  | { readonly type: 'failed'; readonly error: unknown };

export const UNMARKED = {
  pad: null,
  run: [],
  pending: null,
  marking: false,
  claim: null,
  told: null,
  error: null,
} as const;

export function reduceMarking<State extends Marking>(state: State, action: MarkingAction): State {
  switch (action.type) {
    case 'pad':
      return { ...state, pad: action.pad, run: [action.pad], claim: null };
    case 'run':
      return { ...state, pad: action.pads.at(-1) ?? state.pad, run: action.pads, claim: null };
    case 'needs-other':
      return {
        ...state,
        pending: { padId: action.padId, state: action.state },
        claim: null,
        told: null,
        error: null,
      };
    case 'found':
      return {
        ...state,
        findings: [...state.findings, ...action.findings],
        pending: null,
        claim: null,
        told: action.told,
        error: null,
      };
    case 'claim':
      return { ...state, claim: action.pads, told: null, error: null };
    case 'marking':
      return { ...state, marking: action.on, pending: null, claim: null };
    case 'forget':
      return { ...state, pending: null, claim: null };
    case 'failed':
      return { ...state, error: action.error };
  }
}

/** The state a pad is drawn in: the worst of what is said of it now. */
export const padState = (findings: readonly FindingRecord[], padId: string): PadStateId =>
  worstByPad(findings.filter((f) => f.padId === padId)).get(padId) ?? 'sound';

/** All that is said of a pad now: it may be flaked, bridged and lifted at once. */
export const padStatesNow = (findings: readonly FindingRecord[], padId: string): PadStateId[] =>
  (presentFindings(findings.filter((f) => f.padId === padId)).get(padId) ?? []).map((f) => f.state);

/** The state of every pad that anything was found on, looked up at once. */
export type PadStates = ReadonlyMap<string, PadStateId>;

export const statesOf = (findings: readonly FindingRecord[]): PadStates => worstByPad(findings);

/** The worst state among some pads. */
export const worstOf = (states: PadStates, pads: readonly { readonly id: string }[]): PadStateId =>
  worstState(pads.map((pad) => states.get(pad.id) ?? 'sound'));

interface NamedPad {
  readonly id: string;
  readonly name: string;
  readonly net: string;
}

/** A mark on two pads, after the netlist was asked: what it is, and what to tell of it. */
export type Joint =
  { readonly state: PadStateId; readonly told: string | null } | { readonly refused: string };

/**
 * Two pads of one net that touch are joined on purpose; of two nets, or where a net is not known, it is a
 * bridge. Joined on purpose is refused between nets that are known to differ.
 */
export function jointOf(state: PadStateId, a: NamedPad, b: NamedPad): Joint {
  const known = a.net !== '' && b.net !== '';
  if (state === 'bridged' && known && a.net === b.net) {
    return {
      state: 'joined',
      told: `Pins ${a.name} and ${b.name} are both ${a.net}: recorded as an intentional bridge.`,
    };
  }
  if (state === 'joined' && known && a.net !== b.net) {
    return {
      refused: `Pin ${a.name} is ${a.net} and pin ${b.name} is ${b.net}: two nets cannot be bridged on purpose. Mark it bridged with B, or correct the nets.`,
    };
  }
  const told =
    state === 'bridged' && known
      ? `Pin ${a.name} is ${a.net}, pin ${b.name} is ${b.net}: a defect.`
      : state === 'bridged'
        ? `Recorded as a bridge; the net of pin ${a.net === '' ? a.name : b.name} is not known.`
        : null;
  return { state, told };
}

/** "pin 4", "pins 4 to 9" or "7 pins": what is taken, in few words. */
export function runInWords(run: readonly string[]): string {
  if (run.length <= 1) return `pin ${run[0] ?? ''}`;
  const numbers = run.map(Number);
  const whole = numbers.every(
    (n, i) => Number.isInteger(n) && (i === 0 || Math.abs(n - numbers[i - 1]!) === 1),
  );
  return whole ? `pins ${run[0]} to ${run.at(-1)}` : `${run.length} pins`;
}

/** What is told when a mark that waited for its other pad is left: it was not recorded. */
export const leftWords = ({ pending }: Pick<Marking, 'pending'>): string | null =>
  pending ? `${PAD_STATES[pending.state].name} was not recorded: its other pad was not chosen.` : null;
