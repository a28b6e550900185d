import { afterEach, describe, expect, it, vi } from 'vitest';
import type { FromWorker, ToWorker } from './protocol';
import { PlanStream } from './planStream';

const solve = (jobId: number): ToWorker => ({
  type: 'solve',
  jobId,
  task: { kind: 'plan' } as never,
});

/** A server that answers by hand. */
function server() {
  let controller!: ReadableStreamDefaultController<Uint8Array>;
  const body = new ReadableStream<Uint8Array>({ start: (its) => void (controller = its) });
  const signals: AbortSignal[] = [];
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    signals.push(init.signal!);
    init.signal!.addEventListener('abort', () => controller.error(new DOMException('', 'AbortError')));
    return Promise.resolve(new Response(body));
  });
  return { signals, send: (bytes: Uint8Array) => controller.enqueue(bytes), end: () => controller.close() };
}

function opened() {
  const stream = new PlanStream('/api/plans');
  const said: FromWorker[] = [];
  stream.onmessage = ({ data }) => void said.push(data);
  return { stream, said };
}

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const SEARCH = { type: 'progress', jobId: 99, progress: { stage: 'search', done: 1, of: 2 } };
const DONE = { type: 'done', jobId: 99, answer: { outcome: 'not-converged', pad: '3 – Ω' } };

afterEach(() => vi.unstubAllGlobals());

describe('a plan stream', () => {
  it('says each line as it comes, under the number of the job that asked', async () => {
    const { send, end } = server();
    const { stream, said } = opened();
    stream.postMessage(solve(4));
    send(bytes(`${JSON.stringify(SEARCH)}\n`));
    await vi.waitFor(() => expect(said).toEqual([{ ...SEARCH, jobId: 4 }]));
    send(bytes(`${JSON.stringify(DONE)}\n`));
    end();
    await vi.waitFor(() => expect(said.at(-1)).toEqual({ ...DONE, jobId: 4 }));
    expect(said).toHaveLength(2);
  });

  it('puts lines together that come in pieces, cut within a letter too', async () => {
    const { send, end } = server();
    const { stream, said } = opened();
    stream.postMessage(solve(1));
    const all = bytes(`${JSON.stringify(SEARCH)}\n${JSON.stringify(DONE)}\n`);
    for (let i = 0; i < all.length; i += 7) send(all.slice(i, i + 7));
    end();
    await vi.waitFor(() => expect(said).toEqual([SEARCH, DONE].map((m) => ({ ...m, jobId: 1 }))));
  });

  it('hangs up on what is cancelled and says no more of it', async () => {
    const { send, signals } = server();
    const { stream, said } = opened();
    stream.postMessage(solve(1));
    send(bytes(`${JSON.stringify(SEARCH)}\n`));
    await vi.waitFor(() => expect(said).toHaveLength(1));
    stream.postMessage({ type: 'cancel', jobId: 1 });
    expect(signals[0]!.aborted).toBe(true);
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect(said).toHaveLength(1);
  });

  it('hangs up on all with its end', () => {
    const { signals } = server();
    const { stream } = opened();
    stream.postMessage(solve(1));
    stream.postMessage(solve(2));
    stream.terminate();
    expect(signals.map(({ aborted }) => aborted)).toEqual([true, true]);
  });

  it('fails with what the server refuses for', async () => {
    const refusal = { error: 'busy', message: '16 plans are at work; ask again' };
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(refusal), { status: 503 })));
    const { stream, said } = opened();
    stream.postMessage(solve(1));
    await vi.waitFor(() => expect(said).toEqual([{ type: 'failed', jobId: 1, message: refusal.message }]));
  });

  it('fails with a word where nobody answers, and where an answer breaks off', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('fetch failed')));
    const { stream, said } = opened();
    stream.postMessage(solve(1));
    await vi.waitFor(() => expect(said[0]).toMatchObject({ type: 'failed', jobId: 1 }));
    const { send, end } = server();
    stream.postMessage(solve(2));
    send(bytes(`${JSON.stringify(SEARCH)}\n`));
    end();
    await vi.waitFor(() => expect(said.at(-1)).toMatchObject({ type: 'failed', jobId: 2 }));
    expect((said.at(-1) as { message: string }).message).toContain('does not answer');
  });
});
