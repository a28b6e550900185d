import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { AirFieldAsk, FieldPicture } from '~/schema/exchange/simulate/airField';
import { StandInWorker } from '../../tests/support/standInWorker';
import { JobClient } from './jobClient';
import type { ProgressMessage } from './protocol';

class StandIn extends StandInWorker {
  static readonly all: StandIn[] = [];

  constructor(readonly url: URL) {
    super();
    StandIn.all.push(this);
  }
}

const searched = (done: number): ProgressMessage => ({ stage: 'search', done, of: 9 });
const task = (frames: number) => ({ kind: 'field', ask: {} as AirFieldAsk, frames }) as const;
const ANSWER = { frames: [] } as unknown as FieldPicture;

function listener() {
  const seen: ProgressMessage[] = [];
  const done: FieldPicture[] = [];
  const failed: string[] = [];
  return {
    seen,
    done,
    failed,
    onProgress: (p: ProgressMessage) => seen.push(p),
    onDone: (a: FieldPicture) => done.push(a),
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
    const solver = new JobClient<'field'>();
    expect(StandIn.all).toHaveLength(0);
    solver.solve(task(1), listener());
    solver.solve(task(2), listener());
    expect(StandIn.all).toHaveLength(1);
    expect(StandIn.all[0]!.url.href).toContain('heat.worker');
    expect(StandIn.all[0]!.got.map((m) => m.type)).toEqual(['solve', 'cancel', 'solve']);
    const files = { kind: 'import', files: [], ground: {} as never, choices: {} as never } as const;
    new JobClient<'import'>().solve(files, listener() as never);
    expect(StandIn.all[1]!.url.href).toContain('import.worker');
  });

  it('asks the server for plans, and starts no worker', async () => {
    const asked = vi.fn(() => Promise.resolve(new Response('{"type":"done","jobId":7,"answer":{}}\n')));
    vi.stubGlobal('fetch', asked);
    const told = listener();
    new JobClient<'plan'>().solve({ kind: 'plan' } as never, told as never);
    await vi.waitFor(() => expect(told.done).toHaveLength(1));
    expect(asked).toHaveBeenCalledWith('/api/plans', expect.objectContaining({ method: 'POST' }));
    expect(StandIn.all).toHaveLength(0);
  });

  it('is shown a first word at once, and no second one', () => {
    const solver = new JobClient<'field'>();
    const told = listener();
    solver.solve(task(1), told);
    const [worker] = StandIn.all as [StandIn];
    const first = { stage: 'first', phase: 'remove', option: {}, frontier: [] } as unknown as ProgressMessage;
    worker.say({ type: 'progress', jobId: 1, progress: searched(1) });
    vi.advanceTimersByTime(0);
    worker.say({ type: 'progress', jobId: 1, progress: searched(2) });
    worker.say({ type: 'progress', jobId: 1, progress: first });
    expect(told.seen).toHaveLength(3);
    worker.say({ type: 'progress', jobId: 1, progress: first });
    expect(told.seen).toHaveLength(3);
  });

  it('is shown progress a few times a second, all of it and in order, before the answer', () => {
    const solver = new JobClient<'field'>();
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
    const solver = new JobClient<'field'>();
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
    const solver = new JobClient<'field'>();
    const told = listener();
    solver.solve(task(1), told);
    const [worker] = StandIn.all as [StandIn];
    worker.say({ type: 'failed', jobId: 1, message: 'singular network' });
    solver.solve(task(2), told);
    worker.onerror?.({ message: '' });
    expect(told.failed).toEqual(['singular network', 'the worker stopped']);
  });

  it('ends its worker with itself', () => {
    const solver = new JobClient<'field'>();
    solver.solve(task(1), listener());
    solver.dispose();
    expect(StandIn.all[0]!.ended).toBe(true);
  });
});
