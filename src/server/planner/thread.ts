import { parentPort, Worker } from 'node:worker_threads';
import type { Port } from '../../workers/port';

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
