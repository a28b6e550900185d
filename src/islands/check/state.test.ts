import { describe, expect, it } from 'vitest';
import type { Check, PlacedPad } from '~/core/electrical/checklist';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';
import { expectation, ohms } from '~/ui/continuityWords';
import { mayFollow, nextOpen, readingOf, reduce, type CheckState } from './state';

const pad = (id: string) => ({ id, name: id, net: 'N' }) as PlacedPad;
const continuity = (from: string, to: string): Check => ({
  kind: 'continuity',
  pad: pad(from),
  other: pad(to),
  distance_m: 0.01,
  copper_Ohm: 0.02,
  limit_Ohm: 0.34,
});
const CHECKS: Check[] = [
  continuity('1', 'a'),
  { kind: 'short', pad: pad('1'), other: pad('2'), gap_m: 1e-3, unknown: false },
  continuity('2', 'b'),
];
const reading = (id: string, check: Check, value_Ohm: number | null): ContinuityReadingRecord => ({
  id,
  boardId: 'b',
  siteId: 's',
  kind: check.kind,
  padId: check.pad.id,
  otherPadId: check.other.id,
  value_Ohm,
  limit_Ohm: 1,
  verdict: 'good',
  note: '',
  by: 'MK',
  at_ms: 1,
});
const START: CheckState = {
  at: 0,
  entry: '',
  fault: null,
  readings: [],
  findings: [],
  sending: null,
  held: [],
  error: null,
};

describe('the readings of a checklist', () => {
  it('of a pair are followed by the next one, by kind and by both pads', () => {
    const readings = [
      reading('r1', CHECKS[0]!, 9),
      reading('r2', CHECKS[0]!, 0.1),
      reading('r3', CHECKS[1]!, null),
    ];
    expect(readingOf(readings, CHECKS[0]!)!.id).toBe('r2');
    expect(readingOf(readings, CHECKS[1]!)!.id).toBe('r3');
    expect(readingOf(readings, CHECKS[2]!)).toBeNull();
  });

  it('lead on to the first check without one, round and round', () => {
    expect(nextOpen(CHECKS, [], 0)).toBe(0);
    expect(nextOpen(CHECKS, [reading('r', CHECKS[1]!, null)], 1)).toBe(2);
    expect(nextOpen(CHECKS, [reading('r', CHECKS[2]!, 1)], 2)).toBe(0);
    const all = CHECKS.map((check, i) => reading(`r${i}`, check, 1));
    expect(nextOpen(CHECKS, all, 1)).toBe(1);
    expect(nextOpen([], [], 0)).toBeLessThanOrEqual(0);
  });

  it('keep what was typed until it is taken or the probes move on', () => {
    const typed = reduce(START, { type: 'type', entry: '0.x' });
    const refused = reduce(typed, { type: 'refuse', fault: 'no reading' });
    expect(refused).toMatchObject({ entry: '0.x', fault: 'no reading' });
    expect(reduce(refused, { type: 'type', entry: '0.2' }).fault).toBeNull();
    expect(reduce(refused, { type: 'go', to: 2 })).toMatchObject({ at: 2, entry: '', fault: null });
    const taken = reduce(reduce(reduce(typed, { type: 'send' }), { type: 'send-held' }), {
      type: 'taken',
      reading: reading('r', CHECKS[0]!, 1),
      finding: null,
      next: 1,
    });
    expect(taken).toMatchObject({ at: 1, entry: '', sending: null });
    expect(taken.readings).toHaveLength(1);
  });
});

describe('readings entered faster than they are kept', () => {
  const entered = (state: CheckState, entry: string): CheckState =>
    reduce(reduce(state, { type: 'type', entry }), { type: 'send' });
  const underWay = reduce(entered(START, '0.2'), { type: 'send-held' });
  const twice = entered(underWay, 'OL');
  const takenAs = (state: CheckState, verdict: 'good' | 'bad'): CheckState =>
    reduce(state, {
      type: 'taken',
      reading: { ...reading('r', CHECKS[0]!, 0.2), verdict },
      finding: null,
      next: verdict === 'good' ? 1 : 0,
    });

  it('wait for the one before, and none is lost', () => {
    expect(twice).toMatchObject({ sending: '0.2', held: ['OL'], entry: '' });
    expect(mayFollow(twice)).toBe(false);
    expect(mayFollow(takenAs(twice, 'good'))).toBe(true);
    expect(reduce(takenAs(twice, 'good'), { type: 'send-held' })).toMatchObject({
      at: 1,
      sending: 'OL',
      held: [],
    });
  });

  it('are told and not recorded where the one before is not good: whose they are only the hand knows', () => {
    const asked = takenAs(entered(twice, '12'), 'bad');
    expect(asked).toMatchObject({ at: 0, entry: 'OL', held: [], sending: null });
    expect(asked.fault).toMatch(/^OL, 12 came before .* not recorded/);
    expect(mayFollow(reduce(asked, { type: 'type', entry: '' }))).toBe(false);
  });

  it('stay in their order behind one that could not be kept, and what is being typed stays typed', () => {
    const typing = reduce(twice, { type: 'type', entry: '4k' });
    const failed = reduce(typing, { type: 'failed', error: new Error('offline') });
    expect(failed).toMatchObject({ entry: '4k', held: ['0.2', 'OL'], sending: null });
    expect(mayFollow(failed)).toBe(false);
    expect(mayFollow(reduce(failed, { type: 'retry' }))).toBe(true);
    expect(reduce(failed, { type: 'send' }).held).toEqual(['0.2', 'OL', '4k']);
  });
});

describe('ohms in words', () => {
  it.each([
    [0.0042, '4.2 mΩ'],
    [0.2, '0.2 Ω'],
    [9.99, '10 Ω'],
    [47, '47 Ω'],
    [4700, '4.7 kΩ'],
    [3.3e6, '3.3 MΩ'],
    [null, 'open'],
    [Infinity, 'open'],
  ])('%d is %s', (value, words) => {
    expect(ohms(value)).toBe(words);
  });

  it('say what a check must read', () => {
    expect(expectation(CHECKS[0]!)).toBe('0.34 Ω or less');
    expect(expectation(CHECKS[1]!)).toBe('1 kΩ or more');
  });
});
