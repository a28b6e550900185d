import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { FromWorker } from '~/workers/protocol';
import { freshDatabase, withCapacitor } from '../../../../tests/support/database';
import { StandInWorker } from '../../../../tests/support/standInWorker';
import { Busy } from '~/server/store/errors';
import { planningFor } from '../sitePlanning';
import { changeTool, listTools } from '~/server/store/repositories/tools';
import { Planner } from './planner';
import { rehearse } from './rehearsal';

class StandIn extends StandInWorker<PlanTask> {
  get kinds(): string[] {
    return this.got.map((m) => `${m.type} ${m.jobId}`);
  }
}

const task = (seed: number): PlanTask => ({ kind: 'plan', input: { seed } as never });
const progress = (jobId: number, done: number): FromWorker => ({
  type: 'progress',
  jobId,
  progress: { stage: 'search', done, of: 9 },
});
const answer = (jobId: number): FromWorker => ({
  type: 'done',
  jobId,
  answer: { outcome: 'not-converged' } as never,
});

let threads: StandIn[];
let planner: Planner;
beforeEach(() => {
  vi.useFakeTimers();
  threads = [];
  planner = new Planner(() => {
    threads.push(new StandIn());
    return threads.at(-1)!;
  });
});
afterEach(() => vi.useRealTimers());

function heard(of: PlanTask): { said: FromWorker[]; leave: () => void } {
  const said: FromWorker[] = [];
  return { said, leave: planner.ask(of, (message) => said.push(message)) };
}

describe('the planner', () => {
  it('tells whoever asks all that comes of a task, and no one what another asked', () => {
    const [one, other] = [heard(task(1)), heard(task(2))];
    const [thread] = threads as [StandIn];
    thread.say(progress(1, 1));
    thread.say(answer(2));
    thread.say(answer(1));
    expect(one.said.map((m) => m.type)).toEqual(['progress', 'done']);
    expect(other.said.map((m) => m.type)).toEqual(['done']);
    expect(threads).toHaveLength(1);
  });

  it('lets a second asker join what is at work, told what came before', () => {
    const first = heard(task(1));
    const [thread] = threads as [StandIn];
    thread.say(progress(1, 1));
    const second = heard(task(1));
    thread.say(answer(1));
    expect(second.said).toEqual(first.said);
    expect(thread.kinds).toEqual(['solve 1']);
  });

  it('answers what it was asked lately without working it out again', () => {
    heard(task(1));
    const [thread] = threads as [StandIn];
    thread.say(answer(1));
    expect(heard(task(1)).said).toEqual([answer(1)]);
    expect(thread.kinds).toEqual(['solve 1']);
  });

  it('forgets old answers, the longest unused first', () => {
    for (let i = 1; i <= 26; i++) {
      heard(task(i));
      threads[0]!.say(answer(i));
      heard(task(1));
    }
    expect(threads[0]!.got).toHaveLength(26);
    heard(task(2));
    expect(threads[0]!.kinds.at(-1)).toBe('solve 27');
  });

  it('keeps jobs held against their gentlest apart: a month of them pushes no plan out, and none is solved twice', () => {
    heard(task(1));
    threads[0]!.say(answer(1));
    const month = Array.from({ length: 60 }, (_, i): PlanTask => ({
      kind: 'gentler',
      of: `job-${i}`,
      halves: [],
    }));
    month.forEach((of, i) => {
      heard(of);
      threads[0]!.say({ type: 'done', jobId: i + 2, answer: [] });
    });
    const asked = threads[0]!.kinds.length;
    expect(heard(task(1)).said.map((m) => m.type)).toEqual(['done']);
    for (const of of month) expect(heard(of).said.map((m) => m.type)).toEqual(['done']);
    expect(threads[0]!.kinds).toHaveLength(asked);
  });

  it('gives a job up once nobody listens, and only then', () => {
    const [first, second] = [heard(task(1)), heard(task(1))];
    const [thread] = threads as [StandIn];
    first.leave();
    expect(thread.kinds).toEqual(['solve 1']);
    second.leave();
    expect(thread.kinds).toEqual(['solve 1', 'cancel 1']);
    thread.say(answer(1));
    expect(second.said).toEqual([]);
    heard(task(1));
    expect(thread.kinds.at(-1)).toBe('solve 2');
  });

  it('begins for a page what its island asks for, and gives it up where that never comes', () => {
    planner.begin(task(1));
    planner.begin(task(1));
    const [thread] = threads as [StandIn];
    thread.say(progress(1, 1));
    expect(heard(task(1)).said).toEqual([progress(1, 1)]);
    vi.advanceTimersByTime(60_000);
    expect(thread.kinds).toEqual(['solve 1']);
    planner.begin(task(2));
    vi.advanceTimersByTime(60_000);
    expect(thread.kinds).toEqual(['solve 1', 'solve 2', 'cancel 2']);
  });

  it('begins three for one screen and no more, and still for another, up to what all may have', () => {
    for (let i = 1; i <= 5; i++) planner.begin(task(i), 'one');
    expect(threads[0]!.got).toHaveLength(3);
    for (let i = 11; i <= 15; i++) planner.begin(task(i), 'another');
    expect(threads[0]!.got).toHaveLength(6);
    for (let i = 21; i <= 25; i++) planner.begin(task(i), 'a third');
    expect(threads[0]!.got).toHaveLength(8);
    // Whoever asks is answered all the same.
    heard(task(31));
    expect(threads[0]!.got).toHaveLength(9);
  });

  it('does not keep what failed: asked again it is tried again', () => {
    const first = heard(task(1));
    const [thread] = threads as [StandIn];
    thread.say({ type: 'failed', jobId: 1, message: 'singular network' });
    expect(first.said.at(-1)).toMatchObject({ message: 'singular network' });
    expect(heard(task(1)).said).toEqual([]);
    expect(thread.kinds).toEqual(['solve 1', 'solve 2']);
  });

  it('refuses more than the machine bears, and a page’s beginnings first', () => {
    for (let i = 1; i <= 16; i++) heard(task(i));
    planner.begin(task(17));
    expect(threads[0]!.got).toHaveLength(16);
    expect(() => heard(task(18))).toThrow(Busy);
    expect(() => heard(task(16))).not.toThrow();
    threads[0]!.say(answer(1));
    expect(() => heard(task(18))).not.toThrow();
  });

  it('tells of a thread that broke off, and starts another for the next', () => {
    const log = vi.spyOn(console, 'error').mockReturnValue(undefined);
    const first = heard(task(1));
    threads[0]!.onerror!({ message: 'out of memory' });
    expect(first.said.at(-1)).toMatchObject({ type: 'failed' });
    expect(log).toHaveBeenCalledWith(expect.stringContaining('out of memory'));
    heard(task(1));
    expect(threads).toHaveLength(2);
    log.mockRestore();
  });

  it('ends with a word to whoever waits', () => {
    const first = heard(task(1));
    planner.end();
    expect(threads[0]!.ended).toBe(true);
    expect(first.said).toEqual([{ type: 'failed', jobId: 1, message: 'the planner was stopped' }]);
  });
});

describe('a rehearsal', () => {
  it('plans one thing after the other while nobody asks', () => {
    rehearse(planner, freshDatabase());
    const [thread] = threads as [StandIn];
    expect(thread.kinds).toEqual(['solve 1']);
    thread.say(answer(1));
    vi.advanceTimersByTime(0);
    expect(thread.kinds).toEqual(['solve 1', 'solve 2']);
    thread.say(answer(2));
    vi.advanceTimersByTime(0);
    expect(thread.got).toHaveLength(2);
  });

  it('has the record’s own sites in it', () => {
    const db = freshDatabase();
    withCapacitor(db);
    rehearse(planner, db);
    const [thread] = threads as [StandIn];
    for (const jobId of [1, 2]) {
      thread.say(answer(jobId));
      vi.advanceTimersByTime(0);
    }
    const last = thread.got.at(-1)!;
    expect(last.type === 'solve' && last.task.kind === 'plan' && last.task.input.site.ref).toBe('C7');
  });

  it('leaves out what cannot be planned for: a server with an empty bench starts all the same', () => {
    const db = freshDatabase();
    withCapacitor(db);
    for (const tool of listTools(db)) changeTool(db, tool.id, { ...tool, retired: true });
    expect(() => planningFor(db, 'site-1', { goal: 'reflow' })).toThrow();
    expect(() => rehearse(planner, db)).not.toThrow();
  });

  it('is given up for whoever asks, and not gone on with while they wait', () => {
    rehearse(planner, freshDatabase());
    const [thread] = threads as [StandIn];
    heard(task(1));
    expect(thread.kinds).toEqual(['solve 1', 'cancel 1', 'solve 2']);
    thread.say(answer(1));
    vi.advanceTimersByTime(0);
    expect(thread.got).toHaveLength(3);
  });
});
