import type { Clock } from '~/core/record/clock';

/** One line of the rail: a job under way, and its clock if one runs. */
export interface RailLine {
  readonly jobId: string;
  readonly boardName: string;
  readonly siteRef: string;
  readonly step: string;
  readonly clock: Clock | null;
}

export interface Rail {
  readonly now_ms: number;
  readonly lines: readonly RailLine[];
}
