import type { Binding, Candidate } from '../../candidate';
import type { Method } from '../../ways/method';

export type RemedyKind =
  | 'preheat'
  | 'wider-tip'
  | 'wider-tip-and-preheat'
  | 'low-melt'
  | 'leaded'
  | 'give-up-the-part'
  | 'shield'
  | 'fresh-solder'
  | 'hot-air'
  | 'hot-air-and-preheat'
  | 'iron'
  | 'gun'
  | 'tweezers'
  | 'neighbour-off'
  | 'shared-heat'
  | 'one-at-a-time';

/** What could not be done, and the setting that came nearest. */
export interface Stuck {
  readonly method: Method;
  readonly binding: Binding;
  readonly nearest: Candidate | null;
}
