import type { ThermalNetwork } from './network';

/** What a network's steps are held to, and when it is over. */
export interface StepLimits {
  readonly tolerance_K: number;
  readonly maxStep_s: number;
  readonly duration_s: number;
}

/** What came of a lane's last try: a step, one to be tried again shorter, or none that converges. */
export type Try = 'took' | 'again' | 'failed';

/** Networks side by side, each in a lane of its own and on a clock of its own: what one holds is nothing to the others. */
export interface Stepper {
  readonly lanes: number;
  /** Whether a network may lie beside those that are on their way. */
  fits(network: ThermalNetwork): boolean;
  begin(lane: number, network: ThermalNetwork, limits: StepLimits): void;
  /** Tries one step in every lane that is on its way. */
  advance(): void;
  lastTry(lane: number): Try;
  time_s(lane: number): number;
  /** Length of the last step. */
  taken_s(lane: number): number;
  steps(lane: number): number;
  solves(lane: number): number;
  /** Where a lane's temperatures stand after each step, and at which place a node's: neither changes. */
  temperaturesOf_K(lane: number): Float64Array;
  placeOf(lane: number, node: number): number;
  resultOf(lane: number): LaneResult;
  /** Takes a lane off: another network may begin there. */
  end(lane: number): void;
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
