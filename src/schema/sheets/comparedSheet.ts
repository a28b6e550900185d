/** A log that may be laid beside another. */
interface LogOffered {
  readonly jobId: string;
  readonly id: string;
  readonly title: string;
  readonly at_ms: number;
}

/** What the plan expected, for a phase and a touch of this job. */
interface PlanOffered {
  readonly phase: string;
  readonly pad: string;
  readonly words: string;
}

/** What may be laid on one chart. */
export interface ComparedSheet {
  readonly logs: readonly LogOffered[];
  readonly plans: readonly PlanOffered[];
}
