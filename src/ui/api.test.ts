import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiError, deleteJson, getJson, patchJson, postFile, postJson } from './api';

const asked = vi.fn<(url: string, init: RequestInit) => Promise<Response>>();
beforeEach(() => {
  asked.mockReset();
  vi.stubGlobal('fetch', asked);
});
afterEach(() => vi.unstubAllGlobals());

const refused = async (work: Promise<unknown>): Promise<ApiError> => {
  const error: unknown = await work.then(
    () => null,
    (thrown: unknown) => thrown,
  );
  if (!(error instanceof ApiError)) throw new Error('was not refused');
  return error;
};

describe('asking the server', () => {
  it('sends a body as JSON and gives back what it answers', async () => {
    asked.mockResolvedValue(Response.json({ id: 'b1' }, { status: 201 }));
    expect(await postJson('/api/boards', { name: 'B' })).toEqual({ id: 'b1' });
    const [url, init] = asked.mock.calls[0]!;
    expect(url).toBe('/api/boards');
    expect(init).toMatchObject({ method: 'POST', body: '{"name":"B"}' });
    expect(init.headers).toMatchObject({ 'content-type': 'application/json' });
  });

  it('sends again under the same key what was never answered, and under another what was (findings B3)', async () => {
    const keyOf = (call: number): string =>
      (asked.mock.calls[call]![1].headers as Record<string, string>)['idempotency-key']!;
    asked.mockRejectedValueOnce(new TypeError('failed to fetch'));
    asked.mockImplementation(() => Promise.resolve(Response.json({ left: 10 }, { status: 201 })));
    const buy = { supplyId: 'wire', reason: 'bought', amount: 5 };
    await refused(postJson('/api/supplies/moves', buy));
    await postJson('/api/supplies/moves', buy);
    await postJson('/api/supplies/moves', buy);
    expect(keyOf(1)).toBe(keyOf(0));
    expect(keyOf(2)).not.toBe(keyOf(0));
  });

  it('changes, deletes and reads by their own verbs', async () => {
    asked.mockImplementation(() => Promise.resolve(Response.json({})));
    await patchJson('/a', {});
    await deleteJson('/b');
    await getJson('/c');
    expect(asked.mock.calls.map(([, init]) => init.method)).toEqual(['PATCH', 'DELETE', undefined]);
  });

  it('sends a picture as what it is, and anything else as bytes', async () => {
    asked.mockImplementation(() => Promise.resolve(Response.json({})));
    await postFile('/p', new Blob(['x'], { type: 'image/png' }));
    await postFile('/p', new Blob(['x'], { type: 'text/html' }));
    expect(
      asked.mock.calls.map(([, { headers }]) => (headers as Record<string, string>)['content-type']),
    ).toEqual(['image/png', 'application/octet-stream']);
  });
});

describe('a refusal', () => {
  it('has its kind, its words, its faults and what stands there now', async () => {
    asked.mockResolvedValue(
      Response.json(
        { error: 'conflict', message: 'changed meanwhile', current: { revision: 4 } },
        { status: 409 },
      ),
    );
    expect(await refused(patchJson('/a', {}))).toMatchObject({
      kind: 'conflict',
      message: 'changed meanwhile',
      current: { revision: 4 },
      faults: [],
    });
  });

  it('is told from a server that does not answer at all', async () => {
    asked.mockRejectedValue(new TypeError('refused'));
    const error = await refused(getJson('/a'));
    expect(error.kind).toBe('offline');
    expect(error.message).toMatch(/does not answer/);
  });

  it('that is no JSON, such as a proxy’s page, still says what it was', async () => {
    asked.mockResolvedValue(new Response('<h1>Bad gateway</h1>', { status: 502 }));
    expect(await refused(getJson('/a'))).toMatchObject({
      kind: 'internal',
      message: expect.stringContaining('502') as string,
    });
  });
});
