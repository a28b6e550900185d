import type { AnswerOf, FromWorker, ProgressMessage, Task, TaskKind, ToWorker } from './protocol';

export interface SolveHandlers<Kind extends TaskKind> {
  readonly onProgress: (progress: ProgressMessage) => void;
  readonly onDone: (answer: AnswerOf[Kind]) => void;
  readonly onFailed: (message: string) => void;
}

/** A screen drawn again for every message would take the cores that the answer needs. */
const LOOK_ms = 160;

const planning = (): Worker => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
const heating = (): Worker => new Worker(new URL('./heat.worker.ts', import.meta.url), { type: 'module' });

/** Each worker carries only what its tasks need: loading it is part of the wait for a first answer. */
const START: Readonly<Record<TaskKind, () => Worker>> = {
  plan: planning,
  explore: planning,
  recap: planning,
  field: heating,
  'field-band': heating,
  import: () => new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' }),
};

/** One worker for one kind of task; a new task cancels the one before it. Progress is shown a few times a second. */
export class Solver<Kind extends TaskKind> {
  private worker: Worker | null = null;
  private current = 0;
  private handlers: SolveHandlers<Kind> | null = null;
  private waiting: ProgressMessage[] = [];
  private timer: ReturnType<typeof setTimeout> | null = null;
  private looked_ms = -Infinity;
  /** A task that was begun before anyone took it, and what came of it so far. */
  private begun: { readonly task: string; readonly came: FromWorker[] } | null = null;

  solve(task: Extract<Task, { kind: Kind }>, handlers: SolveHandlers<Kind>): void {
    const { begun } = this;
    if (begun && begun.task === JSON.stringify(task)) {
      this.begun = null;
      this.handlers = handlers;
      for (const message of begun.came) this.receive(message);
      return;
    }
    this.cancel();
    this.post(task);
    this.handlers = handlers;
  }

  /** Begins what will be asked for; the same task takes it over with all that came of it, another drops it. */
  begin(task: Extract<Task, { kind: Kind }>): void {
    this.cancel();
    this.post(task);
    this.begun = { task: JSON.stringify(task), came: [] };
  }

  cancel(): void {
    if (this.handlers || this.begun) this.send({ type: 'cancel', jobId: this.current });
    this.settle();
  }

  dispose(): void {
    this.worker?.terminate();
    this.worker = null;
    this.settle();
  }

  private start(kind: TaskKind): Worker {
    const worker = START[kind]();
    worker.onmessage = (event: MessageEvent<FromWorker>) => this.receive(event.data);
    worker.onerror = ({ message }) =>
      this.receive({
        type: 'failed',
        jobId: this.current,
        message: message || 'the planning worker stopped',
      });
    return worker;
  }

  private post(task: Task): void {
    this.worker ??= this.start(task.kind);
    this.current += 1;
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
    this.begun = null;
  }

  private receive(message: FromWorker): void {
    if (message.jobId !== this.current) return;
    this.begun?.came.push(message);
    const { handlers } = this;
    if (!handlers) return;
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
