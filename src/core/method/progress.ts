import type { Candidate } from './candidate';
import type { Phase } from './goals';
import type { PinBand } from './hand/bands';
import type { MethodId } from './ways/method';
import type { Setting } from './request';

/** What a plan in the making can already show. */
export type Progress =
  | { readonly stage: 'search'; readonly done: number; readonly of: number }
  /** Nothing will do: changes are being solved. */
  | { readonly stage: 'remedies'; readonly done: number; readonly of: number }
  | { readonly stage: 'verify'; readonly done: number; readonly of: number }
  | {
      readonly stage: 'first';
      readonly phase: Phase;
      readonly method: MethodId;
      readonly chosen: Candidate;
      readonly frontier: readonly Candidate[];
    }
  | { readonly stage: 'band'; readonly phase: Phase; readonly setting: Setting; readonly band: PinBand };

/** Says which setting is being drawn, so that its bands are not taken for another's. */
export type OfferOf = (candidate: Candidate) => Progress;

/** What a full run of the board says of how far it is. */
export const verifying = ({ time_s, duration_s }: { time_s: number; duration_s: number }): Progress => ({
  stage: 'verify',
  done: time_s,
  of: duration_s,
});
