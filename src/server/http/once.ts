import { LRUCache } from 'lru-cache';
import { InputError } from '~/schema/values/faults';
import { namedBy } from '~/server/store/ids';

/** The header by which a screen says that a request is the same as one it sent before. */
const KEY_HEADER = 'idempotency-key';
const KEY = /^[A-Za-z0-9_-]{8,40}$/;

/** Answers that are given again to whoever asks again; a retry comes within minutes. */
const MOST_KEPT = 500;
const kept = new LRUCache<string, Promise<Response>>({ max: MOST_KEPT });

/**
 * Does a write once however often it is sent: a retry under the same key gets the first answer, and one that comes after the
 * server was stopped in between finds what it made there already, under the same name, and makes nothing. Requests without
 * a key are done as they come. A refusal is not kept: it is judged anew.
 */
export async function once(request: Request, work: () => Promise<Response>): Promise<Response> {
  const key = request.headers.get(KEY_HEADER);
  if (key === null || request.method !== 'POST') return work();
  if (!KEY.test(key))
    throw new InputError([
      { path: '$idempotency-key', message: 'is no key; send 8 to 40 letters, digits, - and _' },
    ]);
  const name = `${new URL(request.url).pathname} ${key}`;
  const before = kept.get(name);
  if (before) return (await before).clone();
  const answer = namedBy(key, work);
  kept.set(name, answer);
  const made = await answer.catch((error: unknown) => {
    kept.delete(name);
    throw error;
  });
  if (!made.ok) kept.delete(name);
  return made.clone();
}
