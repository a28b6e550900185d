import { describe, expect, it } from 'vitest';
import { clocksOf, entryRefusal, type BoardEntry } from './boardEntries';
import { against, clockKindOf, clockRefusal, CLOCKS, clocksOfJob, type ClockEntryBody } from './boardClock';
import { waitingOf } from './waiting';

const HOUR_ms = 3_600_000;
const started = (clock: keyof typeof CLOCKS, length_s: number, part: Partial<BoardEntry> = {}): BoardEntry =>
  ({
    kind: 'clock-started',
    clock,
    what: '',
    siteId: null,
    jobId: null,
    stepId: null,
    length_s,
    id: 'c',
    at_ms: 0,
    by: 'MK',
    ...part,
  }) as BoardEntry;
const then = (body: ClockEntryBody, at_ms: number): BoardEntry => ({
  ...body,
  id: `e${at_ms}`,
  at_ms,
  by: 'MK',
});

describe('a clock of a board', () => {
  it('is given longer and ended by later entries, and none is overwritten', () => {
    const entries = [
      started('cure', 3600),
      then({ kind: 'clock-moved', clockId: 'c', due_ms: 2 * HOUR_ms, reason: 'cold room' }, 1000),
    ];
    expect(clocksOf(entries)).toMatchObject([{ kind: 'cure', due_ms: 2 * HOUR_ms, ended_ms: null }]);
    const ended = [...entries, then({ kind: 'clock-ended', clockId: 'c', reason: 'oven' }, 2000)];
    expect(clocksOf(ended)).toMatchObject([{ due_ms: 2 * HOUR_ms, ended_ms: 2000 }]);
  });

  it('is not ended early without a word, nor twice, and is over without one', () => {
    const clocks = clocksOf([started('oven', 3600)]);
    const end = (reason: string): ClockEntryBody => ({ kind: 'clock-ended', clockId: 'c', reason });
    expect(clockRefusal(clocks, end(''), 1000)).toMatch(/say why/);
    expect(clockRefusal(clocks, end('needed the oven'), 1000)).toBeNull();
    expect(clockRefusal(clocks, end(''), HOUR_ms)).toBeNull();
    const ended = clocksOf([started('oven', 3600), then(end(''), HOUR_ms)]);
    expect(clockRefusal(ended, end('again'), 2 * HOUR_ms)).toMatch(/already/);
    expect(clockRefusal(clocks, { kind: 'clock-ended', clockId: 'other', reason: '' }, 0)).toMatch(/already/);
  });

  // Common practice: no power before the drying clock ends; what cures or is under test is not handed back.
  it('stands before power where it dries, and before handing back where it dries, cures or is tested', () => {
    const clocks = clocksOf([
      started('solvent', 600, { id: 'a' }),
      started('cure', 600, { id: 'b' }),
      started('come-back', 600, { id: 'd' }),
    ]);
    expect(against(clocks, 'power', 0).map(({ id }) => id)).toEqual(['a']);
    expect(against(clocks, 'hand-back', 0).map(({ id }) => id)).toEqual(['a', 'b']);
    expect(against(clocks, 'hand-back', 600_000)).toEqual([]);
    const back = { kind: 'handed-back', outcome: 'fixed', cause: '' } as const;
    expect(entryRefusal({ is: 'open' }, back, [], clocks, 0)).toMatch(/clock still runs/);
    expect(entryRefusal({ is: 'open' }, back, [], clocks, 600_000)).toBeNull();
  });

  it('is what the board waits for, the nearest first, before what is open beside it', () => {
    const clocks = clocksOf([started('cure', 7200, { id: 'a' }), started('oven', 600, { id: 'b' })]);
    const waits = waitingOf({ is: 'open' }, [], [], [{ ref: 'C1' }], clocks);
    expect(waits.waitingFor).toBe('drying');
    expect(waits.nextAction).toContain(CLOCKS.oven.then);
  });

  it('begins with a job’s wait, once, and outlasts the job only where it still means something', () => {
    const wait = { kind: clockKindOf('dry'), stepId: 'dry', length_s: 240, from_ms: 1000 } as const;
    const first = clocksOfJob({ status: 'running', wait }, []);
    expect(first.start).toMatchObject({ kind: 'solvent', length_s: 240 });
    const begun = clocksOf([started('solvent', 240, { stepId: 'dry', jobId: 'j', at_ms: 1000 })]);
    expect(clocksOfJob({ status: 'running', wait }, begun)).toEqual({ start: null, end: [] });
    expect(clocksOfJob({ status: 'closed', wait: null }, begun).end).toEqual([]);
    const soaking = clocksOf([started('soak', 90, { stepId: 'preheat', jobId: 'j', at_ms: 1000 })]);
    expect(clocksOfJob({ status: 'closed', wait: null }, soaking).end).toHaveLength(1);
    // Gone back to and waited again: another clock.
    const again = clocksOfJob({ status: 'running', wait: { ...wait, from_ms: 5000 } }, begun);
    expect(again.start).not.toBeNull();
    expect(again.end).toHaveLength(1);
  });

  it.each([
    ['preheat', 'soak'],
    ['remove-preheat', 'soak'],
    ['fit-cool', 'cool-down'],
    ['dry', 'solvent'],
    ['own-7', 'come-back'],
  ])('of step %s is a %s', (step, kind) => {
    expect(clockKindOf(step)).toBe(kind);
  });
});
