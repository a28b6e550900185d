import { describe, expect, it } from 'vitest';
import { runStep } from '../../../tests/support/entries';
import { AS_IT_CAME, type JobTrace, type Occupancy } from './occupancy';
import { refsInWords } from './refsInWords';
import { refusal } from './refusal';
import { PAUSE_STEP, roundStanding, uncleanedSites } from './round';
import type { RunEvent, RunEventBody } from './runEvents';
import { runState } from './runState';

const STEPS = [runStep('solder'), runStep(PAUSE_STEP, { kind: 'gate' }), runStep('clean'), runStep('dry')];
const done = (stepId: string): RunEventBody => ({ kind: 'step-done', stepId });
const closed = (outcome: string, restAtEnd?: boolean): RunEventBody => ({
  kind: 'closed',
  outcome,
  cause: '',
  ...(restAtEnd ? { restAtEnd } : {}),
});
const entries = (bodies: RunEventBody[], from_ms: number): RunEvent[] =>
  bodies.map((body, i) => ({ ...body, seq: i + 1, at_ms: from_ms + i, by: 'MK' }));

/** A job on a site, begun at a time; running where it was not closed. */
function job(siteId: string, at_ms: number, bodies: RunEventBody[], recapId: string | null = 'r'): JobTrace {
  const events = entries([{ kind: 'opened' }, ...bodies], at_ms);
  const { status, outcome } = runState(STEPS, events);
  return { id: `job-${siteId}`, siteId, recapId, goal: 'replace', status, outcome, steps: STEPS, events };
}

const ROUND = { id: 'r', siteIds: ['C1', 'C2', 'C3'], at_ms: 100 };
const standing = (jobs: JobTrace[], occupancies: [string, Occupancy][] = []) =>
  roundStanding(ROUND, jobs, new Map(occupancies));
const statuses = (jobs: JobTrace[], occupancies: [string, Occupancy][] = []): string[] =>
  standing(jobs, occupancies).sites.map((s) => s.status);

describe('how far a whole board is', () => {
  it('each part has an outcome of its own, and the first that is not done is next', () => {
    const jobs = [job('C1', 200, [done('solder'), closed('fixed', true)]), job('C2', 300, [])];
    expect(statuses(jobs)).toEqual(['done', 'under-way', 'to-do']);
    expect(standing(jobs)).toMatchObject({ begun: true, next: { siteId: 'C2', jobId: 'job-C2' } });
    const over = [
      ...jobs.slice(0, 1),
      job('C2', 300, [closed('unchanged')]),
      job('C3', 400, [closed('fixed')]),
    ];
    expect(standing(over).sites.map((s) => s.outcome)).toEqual(['fixed', 'unchanged', 'fixed']);
    expect(standing(over).next).toBeNull();
  });

  it('a part that was stopped in the middle is not done, and is gone on with', () => {
    const jobs = [job('C1', 200, [closed('part-done')])];
    expect(statuses(jobs)).toEqual(['stopped', 'to-do', 'to-do']);
    expect(standing(jobs).next).toMatchObject({ siteId: 'C1', jobId: 'job-C1' });
  });

  it('a part that lies in a tray is not done, whatever its job was closed as', () => {
    const off: Occupancy = { ...AS_IT_CAME, kind: 'off-given-up' };
    expect(statuses([job('C1', 200, [closed('fixed')])], [['C1', off]])).toEqual(['to-do', 'to-do', 'to-do']);
  });

  it('what was done before it was decided on does not count, what is done beside it does', () => {
    expect(statuses([job('C1', 50, [closed('fixed')])])).toEqual(['to-do', 'to-do', 'to-do']);
    const beside = job('C1', 150, [closed('fixed')], null);
    expect(statuses([beside])).toEqual(['done', 'to-do', 'to-do']);
    expect(standing([beside]).begun).toBe(false);
  });
});

describe('what waits for its cleaning', () => {
  const left = (siteId: string, at_ms: number): JobTrace =>
    job(siteId, at_ms, [done('solder'), closed('fixed', true)]);

  it('is every part that was left to the end, in the order worked, until the board is cleaned', () => {
    const jobs = [left('C2', 300), left('C1', 200)];
    expect(uncleanedSites(jobs)).toEqual(['C1', 'C2']);
    const last = job('C3', 400, [done('solder'), done(PAUSE_STEP), done('clean')]);
    expect(uncleanedSites([...jobs, last])).toEqual([]);
    expect(uncleanedSites([...jobs, last, left('C4', 500)])).toEqual(['C4']);
  });

  it('is no longer one that was gone on with', () => {
    expect(
      uncleanedSites([job('C1', 200, [done('solder'), closed('fixed', true), { kind: 'resumed' }])]),
    ).toEqual([]);
  });

  it('only a part that stands at its pause leaves its cleaning to the end', () => {
    const at = (bodies: RunEventBody[]) => runState(STEPS, entries([{ kind: 'opened' }, ...bodies], 1));
    expect(refusal(at([]), STEPS, closed('fixed', true))).toMatch(/only a part that is done/);
    expect(refusal(at([done('solder')]), STEPS, closed('fixed', true))).toBeNull();
    expect(refusal(at([]), STEPS, closed('fixed'))).toBeNull();
  });
});

describe('many references in words', () => {
  it('names them, and counts what is more than a line', () => {
    expect(refsInWords(['C1'])).toBe('C1');
    expect(refsInWords(['C1', 'C2', 'C5'])).toBe('C1, C2 and C5');
    expect(refsInWords(Array.from({ length: 20 }, (_, i) => `C${i + 1}`))).toBe(
      'C1, C2, C3, C4, C5, C6, C7 and 13 more',
    );
  });
});
