import { describe, expect, it } from 'vitest';
import { pinRuns } from './continuityWords';

describe('pins that are told together', () => {
  it('stand as runs, so that a reason is said once', () => {
    expect(pinRuns(['4'])).toBe('pin 4');
    expect(pinRuns(['1', '2'])).toBe('pins 1 and 2');
    expect(pinRuns(['1', '2', '3', '4', '8', '10', '11', '12'])).toBe('pins 1 to 4, 8 and 10 to 12');
    expect(pinRuns(['A1', 'A2', 'B1'])).toBe('pins A1, A2 and B1');
  });
});
