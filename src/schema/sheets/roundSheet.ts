import type { RoundSite } from '~/core/record/round';

/** A site of a whole board's job, with how long it is reckoned to take. */
export interface RoundLine extends RoundSite {
  readonly ref: string;
  readonly value: string;
  readonly minutes: number;
}

/** How far a whole board's job is: its sites in order, the next of them, and the time that is left. */
export interface RoundSheet {
  readonly recapId: string;
  readonly name: string;
  readonly by: string;
  readonly at_ms: number;
  readonly order: 'value' | 'area';
  readonly lines: readonly RoundLine[];
  readonly next: RoundLine | null;
  readonly begun: boolean;
  /** Of sites that are not done, and of what comes once at the end. */
  readonly left_min: number;
  /** Parts that wait for their cleaning. */
  readonly uncleaned: readonly string[];
}
