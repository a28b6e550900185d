import type { BoardRecord } from '~/schema/records/board/board';

/** A board as the bench lists it. */
export interface BenchBoard extends Pick<
  BoardRecord,
  'id' | 'name' | 'owner' | 'fault' | 'waitingFor' | 'nextAction' | 'outcome'
> {
  /** When the clock that it waits for ends; null where it waits for none. */
  readonly due_ms: number | null;
}

/** Every board that waits for something, and the closed ones that came last; the others are found by searching. */
export interface BenchSheet {
  readonly boards: readonly BenchBoard[];
  /** How many are closed in all. */
  readonly closed: number;
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
