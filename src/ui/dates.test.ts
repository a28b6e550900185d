import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { day, dayAndTime, stamp } from './dates';

/** Half an hour past midnight on 10 March at the bench, still the evening of the 9th in UTC. */
const PAST_MIDNIGHT_ms = Date.UTC(2026, 2, 9, 23, 30);

describe('days at a bench east of Greenwich', () => {
  const zone = process.env['TZ'];
  beforeEach(() => {
    process.env['TZ'] = 'Europe/Vienna';
  });
  afterEach(() => {
    process.env['TZ'] = zone;
  });

  // Rule broken: findings m7, the same entry bore two days on one page.
  it('are the bench’s own, and the same in every form', () => {
    expect(day(PAST_MIDNIGHT_ms)).toBe('10 Mar 2026');
    expect(dayAndTime(PAST_MIDNIGHT_ms)).toBe('10 Mar 2026 00:30');
    expect(stamp(PAST_MIDNIGHT_ms)).toBe('2026-03-10T00:30:00+01:00');
  });
});
