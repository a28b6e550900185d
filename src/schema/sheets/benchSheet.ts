import type { BoardRecord } from '~/schema/records/board/board';

/** A board as the bench lists it. */
export interface BenchBoard extends BoardRecord {
  /** When the clock that it waits for ends; null where it waits for none. */
  readonly due_ms: number | null;
}

/** A board that has what was looked for on it, and what that is. */
export interface BenchFind {
  readonly boardId: string;
  readonly because: string;
}

/** Shorter words are on every board. */
export const LEAST_FIND = 2;
export const MOST_FIND = 60;
