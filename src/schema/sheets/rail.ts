import type { ClockGate } from '~/core/record/boardClock';
import type { Clock } from '~/core/record/clock';

/** One line of the rail: a clock that runs on a board, or a job under way without one. */
export interface RailLine {
  readonly key: string;
  readonly href: string;
  readonly boardId: string;
  readonly boardName: string;
  /** The part it is of; empty where it is of the whole board. */
  readonly siteRef: string;
  /** What is done, or waited for. */
  readonly step: string;
  readonly jobId: string | null;
  /** The job's step that it belongs to. */
  readonly stepId: string | null;
  readonly clock: Clock | null;
  /** What is allowed once it has ended; empty for what says so itself. */
  readonly then: string;
  /** What must not be done before it has ended. */
  readonly gates: ClockGate | null;
}

export interface Rail {
  readonly now_ms: number;
  readonly lines: readonly RailLine[];
}
