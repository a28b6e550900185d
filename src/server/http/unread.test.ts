import { createServer } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { letGoUnread, MOST_UNREAD_bytes } from './unread';

const ended: (() => void)[] = [];
afterEach(() => ended.splice(0).forEach((end) => end()));

/** A server that writes until its reader is gone; gives back the most that waited for it. */
async function writtenTo(path: string, reads: boolean): Promise<{ most: number; written: number }> {
  const told = { most: 0, written: 0 };
  const chunk = Buffer.alloc(64 * 1024, 'x');
  let over: () => void = () => undefined;
  const gone = new Promise<void>((resolve) => (over = resolve));
  const server = createServer((request, response) => {
    letGoUnread(request, response);
    response.on('close', over);
    const go = (): void => {
      if (response.destroyed || told.written > 64 * 2 ** 20) return void response.destroy();
      const taken = response.write(chunk);
      told.written += chunk.length;
      told.most = Math.max(told.most, response.writableLength);
      // Who reads is written to as fast as it reads.
      if (reads && !taken) response.once('drain', go);
      else setImmediate(go);
    };
    go();
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  const socket = connect((server.address() as AddressInfo).port, '127.0.0.1');
  socket.on('error', () => undefined);
  ended.push(
    () => socket.destroy(),
    () => server.close(),
  );
  if (!reads) socket.pause();
  else socket.resume();
  socket.write(`GET ${path} HTTP/1.1\r\nHost: x\r\n\r\n`);
  await gone;
  return told;
}

describe('a screen that does not read its event line', () => {
  it('is let go before what waits for it fills the memory', async () => {
    const { most, written } = await writtenTo('/api/live?job=1', false);
    expect(most).toBeLessThan(MOST_UNREAD_bytes + 256 * 1024);
    expect(written).toBeLessThan(60 * 2 ** 20);
  });

  it('is told on where it reads, and a file is written out whatever the line', async () => {
    expect((await writtenTo('/api/live', true)).written).toBeGreaterThan(64 * 2 ** 20);
    expect((await writtenTo('/api/boards', false)).written).toBeGreaterThan(64 * 2 ** 20);
  });
});
