import type { RootCauseId } from './rootCauses';
import type { SupplyRead } from './supplyGate';

/** What a board can be parked for. */
export const AWAITS = ['part', 'answer', 'time'] as const;
export type Awaits = (typeof AWAITS)[number];

/** What can have measured a land: an instrument, or a stand-in for one. */
export const MEASURED_BY = ['thermocouple', 'simulated'] as const;
export type MeasuredBy = (typeof MEASURED_BY)[number];

/** Why a step that had something against it was passed all the same. */
export type Passed =
  /** A clock was ended with so much of it left; early versions did not ask why. */
  | { readonly kind: 'early'; readonly left_s: number; readonly reason?: string | undefined }
  /** Pins whose melt nobody saw moved freely all the same. */
  | { readonly kind: 'moved-freely' }
  /** Against the gate, on someone's word; `signedBy` is the lead where people sign in. */
  | { readonly kind: 'override'; readonly reason: string; readonly signedBy?: string | undefined };

/**
 * What happens on a job, one entry after another. Entries are never changed; a later `correction` or `taken-back`
 * names the entry it puts right.
 */
export type RunEventBody =
  | { readonly kind: 'opened' }
  | {
      readonly kind: 'step-done';
      readonly stepId: string;
      readonly passed?: Passed | undefined;
      /** Where a part that came off in this step lies. */
      readonly where?: string | undefined;
      /** What the tool's display showed, where the step asks for it. */
      readonly shown_C?: number | undefined;
      /** What was measured over the reservoirs, where the step asks for it. */
      readonly left_V?: number | undefined;
      /** The same a minute later; early versions measured once. */
      readonly again_V?: number | undefined;
      /** What was read of the supply, where the step asks for it. */
      readonly supply?: SupplyRead | undefined;
    }
  | { readonly kind: 'step-back'; readonly stepId: string }
  | { readonly kind: 'heat-on'; readonly stepId: string; readonly pad: string }
  | { readonly kind: 'melted'; readonly stepId: string; readonly pad: string; readonly elapsed_s: number }
  | { readonly kind: 'heat-off'; readonly stepId: string; readonly pad: string; readonly elapsed_s: number }
  | {
      readonly kind: 'exposure';
      /** The heating it is of, by the entry that began it; left out by early versions, which meant the last on its pad. */
      readonly ofSeq?: number | undefined;
      readonly pad: string;
      readonly duration_s: number;
      readonly padDose: number;
      readonly laminateDose: number;
      readonly peak_C: number;
      readonly modelVersion: string;
      /** By the curve that a thermocouple read on the land, and what kind of one; left out where the model's own stands. */
      readonly measured?: MeasuredBy | undefined;
      /** Pads about it that the same touch warmed, and what it cost them. */
      readonly others?:
        | readonly {
            readonly padId: string;
            readonly padDose: number;
            readonly peak_C: number;
          }[]
        | undefined;
    }
  | { readonly kind: 'note'; readonly text: string }
  /** A melt or an end of heat that came at another time than was pressed. */
  | {
      readonly kind: 'correction';
      readonly ofSeq: number;
      readonly elapsed_s: number;
      readonly reason: string;
    }
  /** An entry that was not so. A heating goes with its melt, its end and what it was reckoned to cost. */
  | { readonly kind: 'taken-back'; readonly ofSeq: number; readonly reason: string }
  | {
      readonly kind: 'closed';
      readonly outcome: string;
      readonly cause: string;
      /** What the fault came from; left out where nobody said. */
      readonly rootCause?: RootCauseId | undefined;
      /** What the board is parked for with it. */
      readonly awaits?: { readonly awaits: Awaits; readonly what: string } | undefined;
      /** Why it is called fixed without what its plan asked to be looked at. */
      readonly acceptedWithout?: string | undefined;
      /** Cleaning, drying and the supply are left to the end of the whole board's job it is part of. */
      readonly restAtEnd?: boolean | undefined;
    }
  /** A job that was closed in the middle goes on where it stood. */
  | { readonly kind: 'resumed' };

/** An entry as it stands in the record. */
export type RunEvent = RunEventBody & {
  readonly seq: number;
  readonly at_ms: number;
  readonly by: string;
};
