import type { Outcome } from './outcomes';
import type { OccupancyTold } from './occupancy';
import type { Settlement } from './openItem';
import { against, type BoardClock, type ClockEntryBody, CLOCKS, withClockEntry } from './boardClock';
import type { Awaits } from './runEvents';

/** What happens to a board as a whole, or is said of a part on it outside of a job. Entries are never changed. */
export type BoardEntryBody =
  | ClockEntryBody
  | {
      readonly kind: 'part';
      readonly siteId: string;
      readonly is: OccupancyTold['is'];
      readonly what: string;
      readonly where: string;
    }
  | {
      readonly kind: 'settled';
      readonly as: Settlement['as'];
      /** What is settled, by its key and in its words at the time. */
      readonly item: string;
      readonly says: string;
      readonly reason: string;
      /** The lead who signed an acceptance, where people sign in. */
      readonly signedBy?: string | undefined;
    }
  | { readonly kind: 'tested'; readonly how: string; readonly passed: boolean }
  | {
      readonly kind: 'parked';
      readonly awaits: Awaits;
      readonly what: string;
      /** When it is expected; null: not known. */
      readonly due_ms: number | null;
    }
  | { readonly kind: 'resumed' }
  | {
      readonly kind: 'handed-back';
      readonly outcome: Outcome;
      readonly cause: string;
      readonly signedBy?: string | undefined;
    }
  | { readonly kind: 'scrapped'; readonly cause: string }
  | { readonly kind: 'reopened'; readonly reason: string };

export type BoardEntry = BoardEntryBody & {
  readonly id: string;
  readonly at_ms: number;
  readonly by: string;
};

/** Where a board stands as a whole. */
export type BoardStage =
  | { readonly is: 'open' }
  | { readonly is: 'parked'; readonly entry: Extract<BoardEntry, { kind: 'parked' }> }
  | { readonly is: 'closed'; readonly outcome: Outcome; readonly cause: string; readonly at_ms: number };

/** The stage a board's entries leave it in. */
export function stageOf(entries: readonly BoardEntry[]): BoardStage {
  let stage: BoardStage = { is: 'open' };
  for (const entry of entries) {
    switch (entry.kind) {
      case 'parked':
        stage = { is: 'parked', entry };
        break;
      case 'handed-back':
        stage = { is: 'closed', outcome: entry.outcome, cause: entry.cause, at_ms: entry.at_ms };
        break;
      case 'scrapped':
        stage = { is: 'closed', outcome: 'scrapped', cause: entry.cause, at_ms: entry.at_ms };
        break;
      case 'resumed':
      case 'reopened':
        stage = { is: 'open' };
        break;
      default:
    }
  }
  return stage;
}

export const toldParts = (entries: readonly BoardEntry[]): OccupancyTold[] =>
  entries.flatMap((e) => (e.kind === 'part' ? [e] : []));

export const settlementsOf = (entries: readonly BoardEntry[]): Settlement[] =>
  entries.flatMap((e) => (e.kind === 'settled' ? [{ ...e, key: e.item }] : []));

/** When it was last tried and worked; null: never. */
export const testedAt_ms = (entries: readonly BoardEntry[]): number | null =>
  entries.findLast((e) => e.kind === 'tested' && e.passed)?.at_ms ?? null;

/** A board's clocks, in the order they were begun. */
export function clocksOf(entries: readonly BoardEntry[]): BoardClock[] {
  let clocks: BoardClock[] = [];
  for (const entry of entries) if (isOfClock(entry)) clocks = withClockEntry(clocks, entry);
  return clocks;
}

export const isOfClock = <E extends BoardEntryBody>(entry: E): entry is E & ClockEntryBody =>
  entry.kind === 'clock-started' || entry.kind === 'clock-moved' || entry.kind === 'clock-ended';

/** Why an entry may not follow where a board stands; null where it may. */
export function entryRefusal(
  stage: BoardStage,
  entry: BoardEntryBody,
  open: readonly { readonly kind: string; readonly says: string; readonly settled: unknown }[],
  clocks: readonly BoardClock[] = [],
  now_ms = 0,
): string | null {
  if (stage.is === 'closed')
    return entry.kind === 'reopened' || entry.kind === 'clock-ended'
      ? null
      : 'the board is closed; open it again first';
  switch (entry.kind) {
    case 'reopened':
      return 'the board is open';
    case 'resumed':
      return stage.is === 'parked' ? null : 'the board is not parked';
    case 'handed-back': {
      if (stage.is === 'parked') return 'the board is parked; go on with it first';
      const [runs] = against(clocks, 'hand-back', now_ms);
      if (runs) return `its clock still runs: ${clockInWords(runs)}. Let it end, or end it with a reason`;
      const left = open.filter((item) => item.settled === null);
      return left.length > 0
        ? `${left.length === 1 ? 'this is' : 'these are'} still open: ${left.map((item) => item.says).join('; ')}. Do, defer or accept ${left.length === 1 ? 'it' : 'each'} first`
        : null;
    }
    case 'scrapped':
    case 'parked': {
      const job = entry.kind === 'scrapped' ? open.find((item) => item.kind === 'job') : undefined;
      return job ? `${job.says}; close it first` : null;
    }
    default:
      return null;
  }
}

/** "Cure of the pad under C7". */
export const clockInWords = ({ kind, what }: Pick<BoardClock, 'kind' | 'what'>): string =>
  what ? `${CLOCKS[kind].name}, ${what}` : CLOCKS[kind].name;
