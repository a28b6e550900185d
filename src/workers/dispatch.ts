import type { Ask } from '../core/method/pieces/piece';
import { Breath } from './breath';
import type { AnyAnswer, FromWorker, ProgressMessage, ToWorker } from './protocol';

/** A task's steps: what can be shown, and pieces that may be solved side by side; it is answered with theirs. */
export type Steps<Result> = Generator<ProgressMessage | Ask, Result, unknown>;

/** Whoever solves the pieces a task asks for. */
export interface Solvers {
  readonly solve: (ask: Ask, show: (progress: ProgressMessage) => void) => Promise<unknown>;
  readonly drop: () => void;
}

/** Runs on a worker: one task after the other, each in slices, so that it can be cancelled in between. */
export function dispatch(
  /** Takes the tasks of its own worker, which is sent no others. */
  stepsOf: (task: never) => Steps<AnyAnswer>,
  solvers: Solvers | null = null,
): void {
  const cancelled = new Set<number>();
  const breath = new Breath();

  self.onmessage = (event: MessageEvent<ToWorker>) => {
    const message = event.data;
    switch (message.type) {
      case 'solve':
        void run(message);
        break;
      case 'cancel':
        cancelled.add(message.jobId);
        solvers?.drop();
        break;
    }
  };

  async function run({ jobId, task }: Extract<ToWorker, { type: 'solve' }>): Promise<void> {
    const show = (progress: ProgressMessage): void =>
      post({ type: 'progress', jobId, progress }, buffersOf(progress));
    try {
      const steps = stepsOf(task as never);
      let next = steps.next();
      while (!next.done) {
        const { value } = next;
        let answers: unknown;
        if (value.stage !== 'ask') show(value);
        else if (solvers) answers = await solvers.solve(value, show);
        else throw new Error(`nobody solves the pieces of a ${task.kind}`);
        if (breath.due()) await breath.taken();
        if (cancelled.delete(jobId)) return;
        next = steps.next(answers);
      }
      post({ type: 'done', jobId, answer: next.value }, pictureBuffers(next.value));
    } catch (error) {
      post({ type: 'failed', jobId, message: error instanceof Error ? error.message : String(error) });
    }
  }
}

const post = (message: FromWorker, transfer: Transferable[] = []): void =>
  (self as unknown as DedicatedWorkerGlobalScope).postMessage(message, transfer);

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
