import type { Ask } from '~/core/method/plan/pieces/piece';
import { TimeSlice } from './timeSlice';
import type { Port } from './port';
import type { AnyAnswer, FromWorker, ProgressMessage, ToWorker } from './protocol';

/** A task's steps: what can be shown, and pieces that may be solved side by side; it is answered with theirs. */
export type Steps<Result> = Generator<ProgressMessage | Ask, Result, unknown>;

/** Whoever solves the pieces a job's task asks for. */
export interface Solvers {
  readonly solve: (jobId: number, ask: Ask, show: (progress: ProgressMessage) => void) => Promise<unknown>;
  readonly drop: (jobId: number) => void;
}

/** Runs on a worker or a thread: each task in slices, so that it can be cancelled and others go on in between. */
export function dispatch<Asked extends { readonly kind: string }>(
  { post, listen }: Port<ToWorker<Asked>, FromWorker>,
  /** Takes the tasks of its own worker, which is sent no others. */
  stepsOf: (task: never) => Steps<AnyAnswer>,
  solvers: Solvers | null = null,
): void {
  const running = new Set<number>();
  const slice = new TimeSlice();

  listen((message) => {
    switch (message.type) {
      case 'solve':
        running.add(message.jobId);
        void run(message);
        break;
      case 'cancel':
        running.delete(message.jobId);
        solvers?.drop(message.jobId);
        break;
    }
  });

  async function run({ jobId, task }: Extract<ToWorker<Asked>, { type: 'solve' }>): Promise<void> {
    const show = (progress: ProgressMessage): void => post({ type: 'progress', jobId, progress });
    try {
      const steps = stepsOf(task as never);
      let next = steps.next();
      while (!next.done) {
        const { value } = next;
        let answers: unknown;
        if (value.stage !== 'ask') show(value);
        else if (solvers) answers = await solvers.solve(jobId, value, show);
        else throw new Error(`nobody solves the pieces of a ${task.kind}`);
        if (slice.isOver()) await slice.renewed();
        if (!running.has(jobId)) return;
        next = steps.next(answers);
      }
      post({ type: 'done', jobId, answer: next.value }, pictureBuffers(next.value));
    } catch (error) {
      post({ type: 'failed', jobId, message: error instanceof Error ? error.message : String(error) });
    } finally {
      running.delete(jobId);
    }
  }
}

const pictureBuffers = (answer: AnyAnswer): Transferable[] =>
  answer !== null && 'frames' in answer
    ? answer.frames.flatMap((frame) => [frame.top_C.buffer, frame.bottom_C.buffer])
    : [];
