import type { AnyAnswer, FromWorker, ProgressMessage, ToWorker } from './protocol';
import { solve } from './solve';

/** Dispatches planning tasks. Between slices the event loop runs, so that a cancel can come in. */
const SLICE_ms = 15;
const cancelled = new Set<number>();
const channel = new MessageChannel();
const waiting: (() => void)[] = [];
channel.port1.onmessage = () => waiting.shift()?.();

const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    waiting.push(resolve);
    channel.port2.postMessage(null);
  });

const post = (message: FromWorker, transfer: Transferable[] = []): void =>
  (self as unknown as DedicatedWorkerGlobalScope).postMessage(message, transfer);

self.onmessage = (event: MessageEvent<ToWorker>) => {
  const message = event.data;
  if (message.type === 'cancel') cancelled.add(message.jobId);
  else void run(message);
};

async function run({ jobId, task }: Extract<ToWorker, { type: 'solve' }>): Promise<void> {
  try {
    const steps = solve(task);
    let sliceEnd = performance.now() + SLICE_ms;
    for (;;) {
      const next = steps.next();
      if (next.done) {
        post({ type: 'done', jobId, answer: next.value }, pictureBuffers(next.value));
        return;
      }
      post({ type: 'progress', jobId, progress: next.value }, buffersOf(next.value));
      if (performance.now() > sliceEnd) {
        await breathe();
        if (cancelled.delete(jobId)) return;
        sliceEnd = performance.now() + SLICE_ms;
      }
    }
  } catch (error) {
    post({ type: 'failed', jobId, message: error instanceof Error ? error.message : String(error) });
  }
}

const pictureBuffers = (answer: AnyAnswer): Transferable[] =>
  'frames' in answer ? answer.frames.flatMap((frame) => [frame.top_C.buffer, frame.bottom_C.buffer]) : [];

const buffersOf = (progress: ProgressMessage): Transferable[] =>
  progress.stage === 'curves'
    ? // Touches alike share an array: each buffer is handed over once.
      [
        ...new Set(
          progress.curves.flatMap((c) =>
            [c.time_s, c.tip_C, c.land_C, c.coldestSolder_C, c.body_C].map((a) => a.buffer),
          ),
        ),
      ]
    : [];
