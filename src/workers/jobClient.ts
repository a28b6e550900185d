import { PlanStream } from './planStream';
import type { AnswerOf, FromWorker, ProgressMessage, Task, TaskKind, ToWorker } from './protocol';

export interface JobHandlers<Kind extends TaskKind> {
  readonly onProgress: (progress: ProgressMessage) => void;
  readonly onDone: (answer: AnswerOf[Kind]) => void;
  readonly onFailed: (message: string) => void;
}

/** A screen drawn again for every message would take the time that the answer needs; a first word is shown at once. */
const LOOK_ms = 250;

const planning = (): PlanStream => new PlanStream('/api/plans');
const heating = (): Worker => new Worker(new URL('./heat.worker.ts', import.meta.url), { type: 'module' });

/** Each worker carries only what its tasks need: loading it is part of the wait for a first answer. */
const START: Readonly<Record<TaskKind, () => Worker | PlanStream>> = {
  plan: planning,
  explore: planning,
  recap: planning,
  gentler: planning,
  field: heating,
  'field-band': heating,
  import: () => new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' }),
};

/** One worker, or a plan stream, for one kind of task; a new task cancels the one before it. Progress is shown a few times a second. */
export class JobClient<Kind extends TaskKind> {
  private worker: Worker | PlanStream | null = null;
  private current = 0;
  private handlers: JobHandlers<Kind> | null = null;
  private waiting: ProgressMessage[] = [];
  private timer: ReturnType<typeof setTimeout> | null = null;
  private looked_ms = -Infinity;
  private answered = false;

  solve(task: Extract<Task, { kind: Kind }>, handlers: JobHandlers<Kind>): void {
    this.cancel();
    this.post(task);
    this.handlers = handlers;
  }

  /** Whether a task is still waited for. */
  get busy(): boolean {
    return this.handlers !== null;
  }

  cancel(): void {
    if (this.handlers) this.send({ type: 'cancel', jobId: this.current });
    this.settle();
  }

  dispose(): void {
    this.worker?.terminate();
    this.worker = null;
    this.settle();
  }

  private start(kind: TaskKind): Worker | PlanStream {
    const worker = START[kind]();
    worker.onmessage = (event: { readonly data: FromWorker }) => this.receive(event.data);
    worker.onerror = ({ message }: { readonly message: string }) =>
      this.receive({
        type: 'failed',
        jobId: this.current,
        message: message || 'the worker stopped',
      });
    return worker;
  }

  private post(task: Task): void {
    this.worker ??= this.start(task.kind);
    this.current += 1;
    this.answered = false;
    this.send({ type: 'solve', jobId: this.current, task });
  }

  private send(message: ToWorker): void {
    this.worker?.postMessage(message);
  }

  /** Hands on what has come since the last look; in one turn, so that the screen is drawn once. */
  private show(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    this.looked_ms = performance.now();
    const { waiting } = this;
    this.waiting = [];
    for (const progress of waiting) this.handlers?.onProgress(progress);
  }

  private settle(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    this.waiting = [];
    this.handlers = null;
  }

  private receive(message: FromWorker): void {
    if (message.jobId !== this.current) return;
    const { handlers } = this;
    if (!handlers) return;
    switch (message.type) {
      case 'progress':
        this.waiting.push(message.progress);
        if (message.progress.stage === 'first' && !this.answered) {
          this.answered = true;
          this.show();
        } else {
          this.timer ??= setTimeout(() => this.show(), LOOK_ms - (performance.now() - this.looked_ms));
        }
        break;
      case 'done':
        this.show();
        this.settle();
        handlers.onDone(message.answer as AnswerOf[Kind]);
        break;
      case 'failed':
        this.settle();
        handlers.onFailed(message.message);
        break;
    }
  }
}
