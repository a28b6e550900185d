import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlanAnswer } from '../schema/planAnswer';
import type { PlanInput } from '../schema/planRequest';
import { Solver } from './client';
import type { FromWorker, ProgressMessage, ToWorker } from './protocol';

/** A worker that answers by hand. */
class StandIn {
  static readonly all: StandIn[] = [];
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  readonly got: ToWorker[] = [];
  ended = false;

  constructor(readonly url: URL) {
    StandIn.all.push(this);
  }

  postMessage(message: ToWorker): void {
    this.got.push(structuredClone(message));
  }

  terminate(): void {
    this.ended = true;
  }

  say(message: FromWorker): void {
    this.onmessage?.({ data: message });
  }
}

const searched = (done: number): ProgressMessage => ({ stage: 'search', done, of: 9 });
const task = (seed: number) => ({ kind: 'plan', input: { seed } as PlanInput }) as const;
const ANSWER = { outcome: 'found' } as unknown as PlanAnswer;

function listener() {
  const seen: ProgressMessage[] = [];
  const done: PlanAnswer[] = [];
  const failed: string[] = [];
  return {
    seen,
    done,
    failed,
    onProgress: (p: ProgressMessage) => seen.push(p),
    onDone: (a: PlanAnswer) => done.push(a),
    onFailed: (m: string) => failed.push(m),
  };
}

beforeEach(() => {
  vi.useFakeTimers();
  StandIn.all.length = 0;
  vi.stubGlobal('Worker', StandIn);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a screen that asks a worker', () => {
  it('starts one for its kind of task, once, and sends it what is asked', () => {
    const solver = new Solver<'plan'>();
    expect(StandIn.all).toHaveLength(0);
    solver.solve(task(1), listener());
    solver.solve(task(2), listener());
    expect(StandIn.all).toHaveLength(1);
    expect(StandIn.all[0]!.url.href).toContain('plan.worker');
    expect(StandIn.all[0]!.got.map((m) => m.type)).toEqual(['solve', 'cancel', 'solve']);
    new Solver<'field'>().solve({ kind: 'field', input: {} as never, frames: 1 }, listener() as never);
    expect(StandIn.all[1]!.url.href).toContain('heat.worker');
  });

  it('is shown progress a few times a second, all of it and in order, before the answer', () => {
    const solver = new Solver<'plan'>();
    const told = listener();
    solver.solve(task(1), told);
    const [worker] = StandIn.all as [StandIn];
    const jobId = 1;
    worker.say({ type: 'progress', jobId, progress: searched(1) });
    vi.advanceTimersByTime(0);
    worker.say({ type: 'progress', jobId, progress: searched(2) });
    worker.say({ type: 'progress', jobId, progress: searched(3) });
    expect(told.seen).toHaveLength(1);
    worker.say({ type: 'done', jobId, answer: ANSWER });
    expect(told.seen.map((p) => 'done' in p && p.done)).toEqual([1, 2, 3]);
    expect(told.done).toEqual([ANSWER]);
  });

  it('hears nothing more of what it gave up, nor of what a new task replaced', () => {
    const solver = new Solver<'plan'>();
    const [first, second] = [listener(), listener()];
    solver.solve(task(1), first);
    const [worker] = StandIn.all as [StandIn];
    solver.solve(task(2), second);
    worker.say({ type: 'done', jobId: 1, answer: ANSWER });
    expect(first.done).toEqual([]);
    expect(second.done).toEqual([]);
    solver.cancel();
    worker.say({ type: 'progress', jobId: 2, progress: searched(1) });
    worker.say({ type: 'done', jobId: 2, answer: ANSWER });
    vi.runAllTimers();
    expect(second.seen).toEqual([]);
    expect(second.done).toEqual([]);
  });

  it('is told what went wrong, by the worker or by its end', () => {
    const solver = new Solver<'plan'>();
    const told = listener();
    solver.solve(task(1), told);
    const [worker] = StandIn.all as [StandIn];
    worker.say({ type: 'failed', jobId: 1, message: 'singular network' });
    solver.solve(task(2), told);
    worker.onerror?.({ message: '' });
    expect(told.failed).toEqual(['singular network', 'the planning worker stopped']);
  });

  it('ends its worker with itself', () => {
    const solver = new Solver<'plan'>();
    solver.solve(task(1), listener());
    solver.dispose();
    expect(StandIn.all[0]!.ended).toBe(true);
  });
});

describe('a task that was begun ahead', () => {
  it('is taken over by the same one, with all that came of it before', () => {
    const solver = new Solver<'plan'>();
    solver.begin(task(1));
    const [worker] = StandIn.all as [StandIn];
    worker.say({ type: 'progress', jobId: 1, progress: searched(1) });
    worker.say({ type: 'progress', jobId: 1, progress: searched(2) });
    const told = listener();
    solver.solve(task(1), told);
    worker.say({ type: 'progress', jobId: 1, progress: searched(3) });
    worker.say({ type: 'done', jobId: 1, answer: ANSWER });
    expect(worker.got.map((m) => m.type)).toEqual(['solve']);
    expect(told.seen.map((p) => 'done' in p && p.done)).toEqual([1, 2, 3]);
    expect(told.done).toEqual([ANSWER]);
  });

  it('may be done, or have failed, before anyone asks', () => {
    for (const ended of [
      { type: 'done', jobId: 1, answer: ANSWER },
      { type: 'failed', jobId: 1, message: 'no' },
    ] as const) {
      const solver = new Solver<'plan'>();
      solver.begin(task(1));
      StandIn.all.at(-1)!.say(ended);
      const told = listener();
      solver.solve(task(1), told);
      expect(told.done.length + told.failed.length).toBe(1);
    }
  });

  it('is dropped by another', () => {
    const solver = new Solver<'plan'>();
    solver.begin(task(1));
    const [worker] = StandIn.all as [StandIn];
    worker.say({ type: 'done', jobId: 1, answer: ANSWER });
    const told = listener();
    solver.solve(task(2), told);
    expect(told.done).toEqual([]);
    expect(worker.got.map((m) => m.type)).toEqual(['solve', 'cancel', 'solve']);
    worker.say({ type: 'done', jobId: 2, answer: ANSWER });
    expect(told.done).toEqual([ANSWER]);
  });

  it('is taken over once: the same asked again is solved again', () => {
    const solver = new Solver<'plan'>();
    solver.begin(task(1));
    solver.solve(task(1), listener());
    solver.solve(task(1), listener());
    expect(StandIn.all[0]!.got.map((m) => m.type)).toEqual(['solve', 'cancel', 'solve']);
  });
});
