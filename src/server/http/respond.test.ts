import type { APIContext } from 'astro';
import { describe, expect, it } from 'vitest';
import { InputError } from '~/schema/values/faults';
import { Busy } from '~/server/store/errors';
import { readJson, telling, type Tell } from './respond';

const context = (body: unknown = {}, headers: Record<string, string> = {}): APIContext =>
  ({
    url: new URL('http://127.0.0.1/api/plans'),
    request: new Request('http://127.0.0.1/api/plans', {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(body),
    }),
  }) as APIContext;

const answered = (route: ReturnType<typeof telling>, of = context()) => route(of) as Promise<Response>;

describe('an answer that comes bit by bit', () => {
  it('is a line of JSON each, closed by the last', async () => {
    const route = telling((_, tell) => {
      tell({ at: 1 }, false);
      queueMicrotask(() => tell({ at: 2, text: 'line\nbreak' }, true));
      return Promise.resolve(() => undefined);
    });
    const response = await answered(route);
    expect(response.headers.get('content-type')).toContain('ndjson');
    expect(response.headers.get('cache-control')).toBe('no-store');
    const lines = (await response.text()).trimEnd().split('\n');
    expect(lines.map((line) => JSON.parse(line) as unknown)).toEqual([
      { at: 1 },
      { at: 2, text: 'line\nbreak' },
    ]);
  });

  it('is stopped once the asker hangs up', async () => {
    let stopped = 0;
    let say: Tell = () => undefined;
    const route = telling((_, tell) => {
      say = tell;
      return Promise.resolve(() => {
        stopped++;
      });
    });
    const reader = (await answered(route)).body!.getReader();
    say({ at: 1 }, false);
    await reader.read();
    await reader.cancel();
    expect(stopped).toBe(1);
  });

  it('is a refusal with its status where it cannot begin', async () => {
    const bad = telling(() => Promise.reject(new InputError([{ path: '$.kind', message: 'is missing' }])));
    expect((await answered(bad)).status).toBe(400);
    const busy = await answered(telling(() => Promise.reject(new Busy(16))));
    expect(busy.status).toBe(503);
    expect(await busy.json()).toMatchObject({ error: 'busy' });
  });

  it('refuses a body that is larger than its endpoint takes', async () => {
    const reading = telling(async (of) => {
      await readJson(of, 20);
      return () => undefined;
    });
    expect((await answered(reading, context({ long: 'x'.repeat(40) }))).status).toBe(413);
  });
});
