import type { AnswerOf, FromWorker, ProgressMessage, Task, TaskKind, ToWorker } from './protocol';

export interface SolveHandlers<Kind extends TaskKind> {
  readonly onProgress: (progress: ProgressMessage) => void;
  readonly onDone: (answer: AnswerOf[Kind]) => void;
  readonly onFailed: (message: string) => void;
}

/** A screen drawn again for every message would take the cores that the answer needs. */
const LOOK_ms = 80;

/** One worker for one kind of task; a new task cancels the one before it. Progress is shown a few times a second. */
export class Solver<Kind extends TaskKind> {
  private worker: Worker | null = null;
  private current = 0;
  private handlers: SolveHandlers<Kind> | null = null;
  private waiting: ProgressMessage[] = [];
  private timer: ReturnType<typeof setTimeout> | null = null;
  private looked_ms = -Infinity;

  solve(task: Extract<Task, { kind: Kind }>, handlers: SolveHandlers<Kind>): void {
    this.cancel();
    this.worker ??= this.start();
    this.current += 1;
    this.handlers = handlers;
    this.send({ type: 'solve', jobId: this.current, task });
  }

  /** Loads the worker and its helpers ahead of a plan. */
  prepare(): void {
    this.worker ??= this.start();
    this.send({ type: 'prepare' });
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

  private start(): Worker {
    const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = (event: MessageEvent<FromWorker>) => this.receive(event.data);
    worker.onerror = (event) => this.handlers?.onFailed(event.message || 'the planning worker stopped');
    return worker;
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
    if (message.jobId !== this.current || !this.handlers) return;
    const { handlers } = this;
    switch (message.type) {
      case 'progress':
        this.waiting.push(message.progress);
        this.timer ??= setTimeout(() => this.show(), LOOK_ms - (performance.now() - this.looked_ms));
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
