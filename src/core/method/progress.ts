import type { PinBand } from './bands';
import type { Setting } from './request';
import type { Candidate } from './search';

/** What a plan in the making can already show. */
export type Progress =
  | { readonly stage: 'search'; readonly done: number; readonly of: number }
  | { readonly stage: 'first'; readonly chosen: Candidate; readonly frontier: readonly Candidate[] }
  | { readonly stage: 'band'; readonly setting: Setting; readonly band: PinBand };
