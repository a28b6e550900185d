import { beforeEach, describe, expect, it } from 'vitest';
import type { Ask } from '~/core/method/plan/pieces/piece';
import { dispatch, type Steps } from './dispatch';
import type { Port } from './port';
import type { AnyAnswer, FromWorker, ToWorker } from './protocol';

let said: FromWorker[];
let send: (message: ToWorker) => void;
let port: Port<ToWorker, FromWorker>;

beforeEach(() => {
  said = [];
  port = { post: (message) => void said.push(message), listen: (take) => (send = take) };
});

const plan = (jobId: number): ToWorker => ({
  type: 'solve',
  jobId,
  task: { kind: 'plan' } as never,
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
    dispatch(port, counting);
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
    dispatch(port, asking, { solve: () => Promise.resolve(['a', 'b']), drop: () => undefined });
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
    dispatch(port, asking);
    send(plan(1));
    await settled();
    expect(said.at(-1)).toMatchObject({ type: 'failed', message: 'nobody solves the pieces of a plan' });

    dispatch(port, () => {
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
    const drops: number[] = [];
    let release: (answers: unknown) => void = () => undefined;
    function* asking(): Steps<AnyAnswer> {
      yield PIECES;
      return ANSWER;
    }
    dispatch(port, asking, {
      solve: () => new Promise((resolve) => (release = resolve)),
      drop: (jobId) => {
        drops.push(jobId);
        release(null);
      },
    });
    send(plan(1));
    await settled();
    send({ type: 'cancel', jobId: 1 });
    await settled();
    expect(drops).toEqual([1]);
    expect(said).toEqual([]);
  });

  it('works on several at a time, and giving one up leaves the others', async () => {
    const release = new Map<number, (answers: unknown) => void>();
    function* asking(): Steps<AnyAnswer> {
      yield PIECES;
      return ANSWER;
    }
    dispatch(port, asking, {
      solve: (jobId) => new Promise((resolve) => release.set(jobId, resolve)),
      drop: (jobId) => release.get(jobId)!(null),
    });
    send(plan(1));
    send(plan(2));
    send({ type: 'cancel', jobId: 1 });
    release.get(2)!(['a']);
    await settled();
    expect(said).toEqual([{ type: 'done', jobId: 2, answer: ANSWER }]);
  });

  it('takes a cancelled job’s number again without remembering that', async () => {
    dispatch(port, counting);
    send({ type: 'cancel', jobId: 1 });
    send(plan(1));
    await settled();
    expect(said.at(-1)!.type).toBe('done');
  });
});
