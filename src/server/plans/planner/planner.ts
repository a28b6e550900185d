import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import { isOnce, type PlanTask } from '~/schema/exchange/plan/planTask';
import type { FromWorker, ToWorker } from '~/workers/protocol';
import { Busy } from '~/server/store/errors';
import type { Thread } from './thread';

export type PlanThread = Thread<ToWorker<PlanTask>, FromWorker>;

/** Takes each message of a job as it comes. */
export type Listener = (message: FromWorker) => void;

interface Job {
  readonly id: number;
  readonly key: string;
  readonly came: FromWorker[];
  readonly listeners: Set<Listener>;
  over: boolean;
  /** Where its answer waits for whoever asks again; null: nobody will. */
  readonly keptIn: LRUCache<string, Job> | null;
  /** Until it is given up, where nobody has asked yet. */
  waiting: ReturnType<typeof setTimeout> | null;
  /** Whose page it was begun for. */
  begunFor: string;
}

/** Plans begun for a page that never asked are given up after this. */
const UNASKED_ms = 20_000;
/** So many are begun before anyone asks: for one screen, and for all of them; pages that are only opened must not keep others waiting. */
const MOST_BEGUN = 3;
const MOST_BEGUN_IN_ALL = 8;
/** Jobs at work at a time; more would only make all of them late. */
const MOST_RUNNING = 16;
/** Answers kept for whoever asks the same again: a page loaded anew, a goal gone back to. */
const MOST_KEPT = 24;
/** Of jobs that were held against their gentlest: a line or two each. */
const MOST_GENTLER_KEPT = 500;

/**
 * The server's planner: one thread that stays warm, and what came of each job. Who asks for what is already at work, or
 * was answered lately, joins it and is told all of it. A job that nobody listens to any more is given up.
 */
export class Planner {
  private thread: PlanThread | null = null;
  private readonly running = new Map<string, Job>();
  private readonly answered = new LRUCache<string, Job>({ max: MOST_KEPT });
  private readonly gentler = new LRUCache<string, Job>({ max: MOST_GENTLER_KEPT });
  private lastId = 0;
  private giveUpRehearsal: (() => void) | null = null;

  constructor(private readonly start: () => PlanThread) {}

  /** Computes what nobody waits for, to warm the threads up; given up once anyone asks for anything. */
  rehearse(task: PlanTask, then: () => void): void {
    if (this.running.size > 0) return;
    this.giveUpRehearsal = this.ask(task, ({ type }) => {
      if (type === 'done') setTimeout(then);
    });
  }

  /** Begins what will be asked for soon by a screen; does nothing where too much is at work already, for it or for all. */
  begin(task: PlanTask, screen = ''): void {
    const key = keyOf(task);
    const begun = [...this.running.values()].filter(({ waiting }) => waiting !== null);
    const own = begun.filter(({ begunFor }) => begunFor === screen).length;
    const full = own >= MOST_BEGUN || begun.length >= MOST_BEGUN_IN_ALL || this.running.size >= MOST_RUNNING;
    if (full || this.known(key)) return;
    const job = this.post(key, task);
    job.waiting = setTimeout(() => this.giveUp(job), UNASKED_ms);
    job.begunFor = screen;
  }

  /** Asks for a task's progress and answer; calls what is returned to hear no more. Throws `Busy`. */
  ask(task: PlanTask, listener: Listener): () => void {
    const key = keyOf(task);
    const known = this.known(key);
    if (!known && this.running.size >= MOST_RUNNING) throw new Busy(MOST_RUNNING);
    const job = known ?? this.post(key, task);
    if (job.waiting) clearTimeout(job.waiting);
    job.waiting = null;
    for (const message of job.came) listener(message);
    if (!job.over) job.listeners.add(listener);
    return () => {
      job.listeners.delete(listener);
      if (job.listeners.size === 0) this.giveUp(job);
    };
  }

  /** Ends the thread; jobs at work are told so. */
  end(): void {
    this.thread?.terminate();
    this.broken('the planner was stopped');
  }

  private known(key: string): Job | undefined {
    return this.running.get(key) ?? this.answered.get(key) ?? this.gentler.get(key);
  }

  private started(): PlanThread {
    const thread = this.start();
    thread.onmessage = ({ data }) => this.receive(data);
    thread.onerror = ({ message }) => {
      console.error(`ithermon: the planner broke off: ${message}`);
      this.broken('the planner broke off; ask again, it starts anew');
    };
    return thread;
  }

  private post(key: string, task: PlanTask): Job {
    this.giveUpRehearsal?.();
    this.giveUpRehearsal = null;
    this.thread ??= this.started();
    const job: Job = {
      id: ++this.lastId,
      key,
      came: [],
      listeners: new Set(),
      over: false,
      keptIn: task.kind === 'gentler' ? this.gentler : isOnce(task) ? null : this.answered,
      waiting: null,
      begunFor: '',
    };
    this.running.set(key, job);
    this.thread.postMessage({ type: 'solve', jobId: job.id, task });
    return job;
  }

  private receive(message: FromWorker): void {
    const job = [...this.running.values()].find(({ id }) => id === message.jobId);
    if (!job) return;
    job.came.push(message);
    job.over = message.type !== 'progress';
    for (const listener of job.listeners) listener(message);
    if (!job.over) return;
    job.listeners.clear();
    if (job.waiting) clearTimeout(job.waiting);
    this.running.delete(job.key);
    // What a heating cost is asked for once: kept, it would push plans out that are asked for again.
    if (message.type === 'done') job.keptIn?.set(job.key, job);
  }

  private giveUp(job: Job): void {
    if (job.over || this.running.get(job.key) !== job) return;
    this.running.delete(job.key);
    this.thread?.postMessage({ type: 'cancel', jobId: job.id });
  }

  private broken(message: string): void {
    this.thread = null;
    for (const job of [...this.running.values()]) this.receive({ type: 'failed', jobId: job.id, message });
  }
}

/** Tasks are alike where all of them is; told apart by a hash, as a whole board’s is long. */
const keyOf = (task: PlanTask): string =>
  isOnce(task)
    ? `${task.kind} ${task.of}`
    : createHash('sha256').update(JSON.stringify(task)).digest('base64url');
