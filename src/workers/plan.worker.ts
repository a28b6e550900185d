import { Breath } from './breath';
import { Helpers, type Helper } from './helpers';
import type { AnyAnswer, FromWorker, ProgressMessage, ToWorker } from './protocol';
import { messageOf, solve } from './solve';

/** Dispatches planning tasks; pieces of a plan go to helpers, one for each core. */
const cancelled = new Set<number>();
const breath = new Breath();
const helpers = new Helpers(
  () => new Worker(new URL('./piece.worker.ts', import.meta.url), { type: 'module' }) as Helper,
);

const post = (message: FromWorker, transfer: Transferable[] = []): void =>
  (self as unknown as DedicatedWorkerGlobalScope).postMessage(message, transfer);

self.onmessage = (event: MessageEvent<ToWorker>) => {
  const message = event.data;
  switch (message.type) {
    case 'prepare':
      helpers.prepare();
      break;
    case 'solve':
      void run(message);
      break;
    case 'cancel':
      cancelled.add(message.jobId);
      helpers.drop();
      break;
  }
};

async function run({ jobId, task }: Extract<ToWorker, { type: 'solve' }>): Promise<void> {
  const show = (progress: ProgressMessage): void =>
    post({ type: 'progress', jobId, progress }, buffersOf(progress));
  try {
    const steps = solve(task);
    let next = steps.next();
    while (!next.done) {
      const { value } = next;
      let answers: unknown;
      if (value.stage === 'ask') answers = await helpers.solve(value, (p) => show(messageOf(p)));
      else show(value);
      if (breath.due()) await breath.taken();
      if (cancelled.delete(jobId)) return;
      next = steps.next(answers);
    }
    post({ type: 'done', jobId, answer: next.value }, pictureBuffers(next.value));
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
