import { clockText, sinceText } from './figures';

/** A clock as it is told on the rail, on the bench and on its own page alike. */
export interface ClockWords {
  readonly state: 'running' | 'ended' | 'late';
  /** With its unit where it is past its end. */
  readonly figure: string;
  /** What the figure is. */
  readonly says: string;
  /** What is allowed now; empty while it runs. */
  readonly allowed: string;
}

/** What a clock says that ends `left_ms` from now: a wait that is over allows the next act, a heat that is over asks for it. */
export function clockWords(kind: 'heat' | 'wait', left_ms: number): ClockWords {
  if (left_ms > 0)
    return {
      state: 'running',
      figure: clockText(left_ms),
      says: kind === 'heat' ? 'to its stop' : 'left',
      allowed: '',
    };
  return kind === 'heat'
    ? { state: 'late', figure: sinceText(-left_ms), says: 'past its stop', allowed: 'Take the heat off' }
    : { state: 'ended', figure: sinceText(-left_ms), says: 'over', allowed: 'Ready: go on' };
}
