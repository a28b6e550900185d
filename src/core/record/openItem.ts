import type { JobTrace, Occupancy } from './occupancy';
import type { PadStateId } from './padStates';
import type { Round } from './round';

export type OpenKind =
  | 'job'
  | 'half-off'
  | 'part-off'
  | 'round'
  | 'socket-empty'
  | 'defect'
  | 'unverified'
  | 'override'
  | 'uncleaned'
  | 'untested';

/** Something a board is not done without. */
export interface OpenItem {
  /** Names what is open as it stands: once that changes, what was said of it no longer counts. */
  readonly key: string;
  readonly kind: OpenKind;
  readonly siteId: string | null;
  readonly jobId: string | null;
  /** What is open. */
  readonly says: string;
  /** What is done next about it. */
  readonly next: string;
}

/** Said of an open item: it waits for another visit, or is taken as it is. */
export interface Settlement {
  readonly key: string;
  readonly as: 'deferred' | 'accepted';
  readonly by: string;
  readonly at_ms: number;
  readonly reason: string;
}

export interface SettledItem extends OpenItem {
  readonly settled: Settlement | null;
}

/** A site with its pads, and what stands on it. */
export interface OpenSite {
  readonly id: string;
  readonly ref: string;
  readonly occupancy: Occupancy;
  readonly pads: readonly { readonly id: string; readonly name: string }[];
}

/** The record of a board as far as it says what is open. */
export interface OpenRecord {
  readonly sites: readonly OpenSite[];
  readonly jobs: readonly JobTrace[];
  /** In order of time. */
  readonly findings: readonly {
    readonly id: string;
    readonly padId: string;
    readonly siteId: string;
    readonly state: PadStateId;
    readonly takesBackId: string | null;
    readonly at_ms: number;
  }[];
  readonly readings: readonly {
    readonly padId: string;
    readonly otherPadId: string;
    readonly at_ms: number;
    readonly passed: boolean;
  }[];
  /** The whole board's job that was decided on last; null where there is none. */
  readonly round: Round | null;
  /** When the board was last tried and worked; null: never. */
  readonly tested_ms: number | null;
  readonly settlements: readonly Settlement[];
}
