import type { Preheat } from '~/core/thermal/preheat';
import type { PhaseRequest } from '../../request';
import type { Method } from '../../ways/method';
import type { RemedyKind } from './stuck';

/** A changed job, to be solved again. */
export interface Trial {
  readonly kind: RemedyKind;
  readonly method: Method;
  readonly request: PhaseRequest;
  readonly preheat: Preheat | null;
  readonly onBench: boolean;
  readonly shielded?: boolean;
  /** The neighbour that is taken off first, or along. */
  readonly freed?: string;
}
