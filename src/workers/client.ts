import type { AnswerOf, FromWorker, ProgressMessage, Task, TaskKind, ToWorker } from './protocol';

export interface SolveHandlers<Kind extends TaskKind> {
  readonly onProgress: (progress: ProgressMessage) => void;
  readonly onDone: (answer: AnswerOf[Kind]) => void;
  readonly onFailed: (message: string) => void;
}

/** One worker for one kind of task; a new task cancels the one before it. */
export class Solver<Kind extends TaskKind> {
  private worker: Worker | null = null;
  private current = 0;
  private handlers: SolveHandlers<Kind> | null = null;

  solve(task: Extract<Task, { kind: Kind }>, handlers: SolveHandlers<Kind>): void {
    this.cancel();
    this.worker ??= this.start();
    this.current += 1;
    this.handlers = handlers;
    this.send({ type: 'solve', jobId: this.current, task });
  }

  cancel(): void {
    if (this.handlers) this.send({ type: 'cancel', jobId: this.current });
    this.handlers = null;
  }

  dispose(): void {
    this.worker?.terminate();
    this.worker = null;
    this.handlers = null;
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

  private receive(message: FromWorker): void {
    if (message.jobId !== this.current || !this.handlers) return;
    const { handlers } = this;
    switch (message.type) {
      case 'progress':
        handlers.onProgress(message.progress);
        break;
      case 'done':
        this.handlers = null;
        handlers.onDone(message.answer as AnswerOf[Kind]);
        break;
      case 'failed':
        this.handlers = null;
        handlers.onFailed(message.message);
        break;
    }
  }
}
