import { describe, expect, it } from 'vitest';
import { turnedAway } from './guard';

const HOSTS = new Set(['127.0.0.1', 'localhost', 'bench.local']);
const ask = (method: string, path: string, headers: Record<string, string> = {}): number | null =>
  turnedAway(
    { method, path, header: (name) => ({ host: 'localhost:4517', ...headers })[name] ?? null },
    HOSTS,
  )?.status ?? null;

describe('who is let in (findings A6, A13, B8, B10, B11)', () => {
  it('answers to its own names only, whatever the port', () => {
    for (const host of ['127.0.0.1:1', 'LOCALHOST', 'bench.local:80'])
      expect(ask('GET', '/', { host })).toBeNull();
    for (const host of ['evil.test:4517', '127.0.0.2', '', 'localhost.evil.test'])
      expect(ask('GET', '/', { host })).toBe(403);
  });

  it('takes a write from its own pages only', () => {
    expect(ask('POST', '/api/boards', { origin: 'http://localhost:4517' })).toBeNull();
    // No browser: a script of the shop's own.
    expect(ask('POST', '/api/boards')).toBeNull();
    const foreign: Record<string, string>[] = [
      { origin: 'http://evil.test' },
      { origin: 'null' },
      { origin: 'http://localhost:9999' },
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site' },
    ];
    for (const headers of foreign) {
      expect(ask('POST', '/api/boards', headers)).toBe(403);
      expect(ask('DELETE', '/api/supplies/x', headers)).toBe(403);
    }
  });

  it('lets a link of another site lead here, and nothing else of it be answered', () => {
    const from = { 'sec-fetch-site': 'cross-site' };
    expect(
      ask('GET', '/sites/x/plan', { ...from, 'sec-fetch-mode': 'no-cors', 'sec-fetch-dest': 'image' }),
    ).toBe(403);
    expect(
      ask('GET', '/boards/x', { ...from, 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'iframe' }),
    ).toBe(403);
    expect(
      ask('GET', '/boards/x', { ...from, 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' }),
    ).toBeNull();
    expect(
      ask('POST', '/api/x', { ...from, 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' }),
    ).toBe(403);
  });

  it('says which methods there are, and has no other way to draw pictures', () => {
    expect(ask('TRACE', '/')).toBe(405);
    expect(ask('POST', '/boards/x')).toBe(405);
    expect(ask('HEAD', '/boards/x')).toBeNull();
    expect(ask('GET', '/_image?href=/mark.svg&f=png')).toBe(404);
  });

  it('takes an address at its word: signs of signs lead nowhere', () => {
    for (const path of ['/boards/%E0%A4%A', '/api/boards/..%2f../photos/%2500', '/boards/%00%2525'])
      expect(ask('GET', path), path).toBe(404);
    for (const path of ['/boards/nope%20x', '/api/bench/find?find=%25', '/sites/%C3%A4/plan', '/a%2Fb'])
      expect(ask('GET', path), path).toBeNull();
  });
});
