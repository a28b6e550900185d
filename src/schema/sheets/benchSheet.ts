import type { WaitingFor } from '~/core/record/waiting';
import type { BoardRecord } from '~/schema/records/board/board';

/** A board as the bench lists it. */
export interface BenchBoard extends Pick<
  BoardRecord,
  'id' | 'name' | 'owner' | 'fault' | 'waitingFor' | 'nextAction' | 'outcome'
> {
  /** When the clock that it waits for ends; null where it waits for none. */
  readonly due_ms: number | null;
}

/** Boards of each thing that is waited for that a page has at first, and that come with each look further. */
export const BENCH_PAGE = 60;

/** The first boards of each thing that is waited for. */
export interface BenchSheet {
  readonly boards: readonly BenchBoard[];
  /** How many there are in all, by what they wait for. */
  readonly counts: Readonly<Partial<Record<WaitingFor, number>>>;
}

/** A board that has what was looked for on it, and what that is. */
export interface BenchFind {
  readonly boardId: string;
  readonly because: string;
}

/** What a search came to: boards that are on no bench page among them. */
export interface BenchFinds {
  readonly finds: readonly BenchFind[];
  readonly boards: readonly BenchBoard[];
}

/** Shorter words are on every board. */
export const LEAST_FIND = 2;
export const MOST_FIND = 60;
