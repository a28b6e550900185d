import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { basename } from 'node:path';
import { parentPort, Worker } from 'node:worker_threads';
import type { Port } from '~/workers/port';

/** A thread of the server as whoever started it sees it. */
export interface Thread<In, Out> {
  postMessage(message: In): void;
  onmessage: ((event: { data: Out }) => void) | null;
  /** It broke off; it answers no more. */
  onerror: ((event: { message: string }) => void) | null;
  terminate(): void;
}

export function startThread<In, Out>(file: URL): Thread<In, Out> {
  const worker = new Worker(file);
  const thread: Thread<In, Out> = {
    postMessage: (message) => worker.postMessage(message),
    onmessage: null,
    onerror: null,
    terminate: () => void worker.terminate(),
  };
  worker.on('message', (data: Out) => thread.onmessage?.({ data }));
  worker.on('error', (error) => thread.onerror?.(error));
  return thread;
}

/** The end that a thread itself has. */
export function threadPort<In, Out>(): Port<In, Out> {
  if (!parentPort) throw new Error('this file is a thread: it is started, not run');
  const port = parentPort;
  return {
    post: (message) => port.postMessage(message),
    listen: (take) => void port.on('message', take),
  };
}

/** Lower than what answers requests and draws screens: on a small machine those come first, and a plan has the rest. */
const BACKGROUND = 5;

/** Makes this thread give way to others. Where the system does not tell its number it stays as it is. */
export function giveWay(): void {
  try {
    setPriority(Number(basename(readlinkSync('/proc/thread-self'))), BACKGROUND);
  } catch {
    // Only Linux has it, and only pace depends on it.
  }
}
