import type { Fault } from './faults';

/** What every endpoint answers when it cannot do what was asked. */
export interface Refusal {
  readonly error:
    'bad-input' | 'not-found' | 'conflict' | 'too-large' | 'forbidden' | 'busy' | 'disk-full' | 'internal';
  readonly message: string;
  readonly faults?: readonly Fault[];
  readonly current?: unknown;
}
