import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Ask } from '../core/method/pieces/piece';
import { dispatch, type Steps } from './dispatch';
import type { AnyAnswer, FromWorker, ToWorker } from './protocol';

const said: FromWorker[] = [];
let worker: { onmessage: ((event: { data: ToWorker }) => void) | null };

beforeEach(() => {
  said.length = 0;
  worker = { onmessage: null, postMessage: (m: FromWorker) => said.push(m) } as never;
  vi.stubGlobal('self', worker);
});
afterEach(() => vi.unstubAllGlobals());

const send = (message: ToWorker): void => worker.onmessage!({ data: message });
const plan = (jobId: number): ToWorker => ({
  type: 'solve',
  jobId,
  task: { kind: 'plan', input: {} as never },
});
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));
const ANSWER = { outcome: 'found' } as unknown as AnyAnswer;
const PIECES = { stage: 'ask', pieces: [1, 2] } as unknown as Ask;

function* counting(): Steps<AnyAnswer> {
  yield { stage: 'search', done: 1, of: 2 };
  yield { stage: 'search', done: 2, of: 2 };
  return ANSWER;
}

describe('a worker', () => {
  it('says what it is at, then what came of it', async () => {
    dispatch(counting);
    send(plan(4));
    await settled();
    expect(said.map((m) => m.type)).toEqual(['progress', 'progress', 'done']);
    expect(said.every((m) => m.jobId === 4)).toBe(true);
  });

  it('hands pieces to whoever solves them, and the answers back', async () => {
    let got: unknown;
    function* asking(): Steps<AnyAnswer> {
      got = yield PIECES;
      return ANSWER;
    }
    dispatch(asking, { solve: () => Promise.resolve(['a', 'b']), drop: () => undefined });
    send(plan(1));
    await settled();
    expect(got).toEqual(['a', 'b']);
    expect(said.at(-1)!.type).toBe('done');
  });

  it('fails with a word where nobody solves pieces, and where a step throws', async () => {
    function* asking(): Steps<AnyAnswer> {
      yield PIECES;
      return ANSWER;
    }
    dispatch(asking);
    send(plan(1));
    await settled();
    expect(said.at(-1)).toMatchObject({ type: 'failed', message: 'nobody solves the pieces of a plan' });

    dispatch(() => {
      throw new Error('a tool that was set is not on the bench');
    });
    send(plan(2));
    await settled();
    expect(said.at(-1)).toMatchObject({
      type: 'failed',
      jobId: 2,
      message: 'a tool that was set is not on the bench',
    });
  });

  it('cancelled, drops its pieces and says no more', async () => {
    let drops = 0;
    let release: (answers: unknown) => void = () => undefined;
    function* asking(): Steps<AnyAnswer> {
      yield PIECES;
      return ANSWER;
    }
    dispatch(asking, {
      solve: () => new Promise((resolve) => (release = resolve)),
      drop: () => {
        drops++;
        release(null);
      },
    });
    send(plan(1));
    await settled();
    send({ type: 'cancel', jobId: 1 });
    await settled();
    expect(drops).toBe(1);
    expect(said).toEqual([]);
  });

  it('hands the buffers of curves over once, though touches alike share them', async () => {
    const moved: Transferable[][] = [];
    vi.stubGlobal('self', {
      onmessage: null,
      postMessage: (_: FromWorker, transfer: Transferable[]) => moved.push(transfer),
    });
    worker = self as never;
    const one = new Float64Array(3);
    const curve = (pad: string) => ({
      pad,
      time_s: one,
      tip_C: one,
      land_C: one,
      coldestSolder_C: one,
      body_C: new Float64Array(3),
      fullMelt_s: 1,
      lastToMelt: 'barrel',
    });
    dispatch(function* () {
      yield { stage: 'curves', phase: 'remove', curves: [curve('1'), curve('2')] };
      return ANSWER;
    });
    send(plan(1));
    await settled();
    expect(moved[0]).toHaveLength(3);
    expect(new Set(moved[0]).size).toBe(3);
  });
});
