import type { Fault } from './faults';

/** What every endpoint answers when it cannot do what was asked. */
export interface Refusal {
  readonly error:
    | 'bad-input'
    | 'not-found'
    | 'conflict'
    | 'too-large'
    | 'forbidden'
    | 'signed-out'
    | 'needs-lead'
    | 'too-many'
    | 'busy'
    | 'disk-full'
    | 'internal';
  readonly message: string;
  readonly faults?: readonly Fault[];
  readonly current?: unknown;
}
