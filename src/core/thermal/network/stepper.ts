/** What steps of all networks are held to. */
export interface StepLimits {
  readonly tolerance_K: number;
  readonly maxStep_s: number;
}

/** Networks that take their steps together, each in a lane of its own: what one holds is nothing to the other. */
export interface Stepper {
  readonly time_s: number;
  /** Length of the last step. */
  readonly taken_s: number;
  readonly steps: number;
  readonly solves: number;
  /** One more step, short enough for the lanes that count; false where none converges. */
  advance(duration_s: number, counts: readonly boolean[]): boolean;
  /** Where a lane's temperatures stand after each step, and at which place a node's: neither changes. */
  temperaturesOf_K(lane: number): Float64Array;
  placeOf(lane: number, node: number): number;
  resultOf(lane: number): LaneResult;
  /** Gives back what it borrowed; it takes no step after that. */
  release(): void;
}

/** What came of one lane so far. */
export interface LaneResult {
  /** First crossing by each melting node, NaN where it never came. */
  readonly solidus_s: Float64Array;
  readonly liquidus_s: Float64Array;
  readonly in_J: number;
  readonly lost_J: number;
  readonly stored_J: number;
}
