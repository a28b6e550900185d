import { availableParallelism } from 'node:os';
import type { Ask } from '~/core/method/plan/pieces/piece';
import type { Progress } from '~/core/method/progress';
import type { PhaseRequest } from '~/core/method/request';
import { LastTold, type FromHelper, type ToHelper } from './pieceProtocol';

/** More threads than this gain little: a plan asks for few pieces at a time. */
const MOST_HELPERS = 4;

/** What a helper is to those who hand it pieces: a thread, or a stand-in for one. */
export interface Helper {
  postMessage(message: ToHelper): void;
  onmessage: ((event: { data: FromHelper }) => void) | null;
  onerror: ((event: { message: string }) => void) | null;
}

/** One job's pieces that are asked for together. */
interface Round {
  readonly jobId: number;
  readonly ask: Ask;
  readonly requestId: number;
  readonly answers: unknown[];
  readonly came: unknown[];
  next: number;
  readonly onProgress: (progress: Progress) => void;
  readonly settle: (answers: readonly unknown[] | null) => void;
  readonly fail: (error: Error) => void;
}

/** Helpers of the planning thread: pieces are handed to whichever is free. A job has one round at a time; jobs take turns. */
export class Helpers {
  private readonly helpers = new Map<Helper, LastTold<true>>();
  private readonly free: Helper[] = [];
  /** In the order of their turns. */
  private rounds: Round[] = [];
  /** Pieces out with helpers, by their id. */
  private readonly out = new Map<
    number,
    { readonly round: Round; readonly helper: Helper; readonly at: number }
  >();
  private readonly requestIds = new WeakMap<PhaseRequest, number>();
  private requestId = 0;
  private pieceId = 0;

  constructor(
    private readonly start: () => Helper,
    private readonly most: number = Math.min(MOST_HELPERS, Math.max(1, availableParallelism())),
  ) {}

  /** Answers of a round's pieces in their order, or those that came by when one was enough; null where it was dropped. */
  solve(
    jobId: number,
    ask: Ask,
    onProgress: (progress: Progress) => void,
  ): Promise<readonly unknown[] | null> {
    if (this.rounds.some((round) => round.jobId === jobId)) throw new Error('a round is under way');
    if (ask.pieces.length === 0) return Promise.resolve([]);
    const requestId = this.requestIds.get(ask.request) ?? ++this.requestId;
    this.requestIds.set(ask.request, requestId);
    return new Promise((settle, fail) => {
      this.rounds.push({ jobId, ask, requestId, answers: [], came: [], next: 0, onProgress, settle, fail });
      this.handOut();
    });
  }

  /** Starts them before there is work: loading takes as long as a small plan. */
  prepare(): void {
    for (let one = this.another(); one; one = this.another()) this.free.push(one);
  }

  /** Gives a job's round up: its pieces are dropped where they stand. */
  drop(jobId: number): void {
    const round = this.rounds.find((r) => r.jobId === jobId);
    if (!round) return;
    this.end(round);
    round.settle(null);
    this.handOut();
  }

  private handOut(): void {
    for (;;) {
      const round = this.rounds.find(({ next, ask }) => next < ask.pieces.length);
      const helper = round && (this.free.pop() ?? this.another());
      if (!helper) return;
      // To the end of the line: the next piece is another job's, if one waits.
      this.rounds = [...this.rounds.filter((r) => r !== round), round];
      const { requestId, ask } = round;
      const told = this.helpers.get(helper)!;
      if (!told.get(requestId)) {
        helper.postMessage({ type: 'request', requestId, request: ask.request });
        told.add(requestId, true);
      }
      const at = round.next++;
      const pieceId = ++this.pieceId;
      this.out.set(pieceId, { round, helper, at });
      helper.postMessage({ type: 'solve', pieceId, requestId, piece: ask.pieces[at]! });
    }
  }

  private another(): Helper | null {
    if (this.helpers.size >= this.most) return null;
    const helper = this.start();
    helper.onmessage = ({ data }) => this.receive(data);
    helper.onerror = ({ message }) => this.lose(helper, message);
    this.helpers.set(helper, new LastTold());
    return helper;
  }

  private receive(message: FromHelper): void {
    const piece = this.out.get(message.pieceId);
    // What was dropped may still have been on its way.
    if (!piece) return;
    const { round } = piece;
    switch (message.type) {
      case 'progress':
        if (!round.ask.silent) round.onProgress(message.progress);
        break;
      case 'failed':
        this.end(round);
        round.fail(new Error(message.message));
        break;
      case 'done':
        this.out.delete(message.pieceId);
        this.free.push(piece.helper);
        this.take(round, piece.at, message.answer);
        break;
    }
    this.handOut();
  }

  private take(round: Round, at: number, answer: unknown): void {
    round.answers[at] = answer;
    round.came.push(answer);
    const progress = round.ask.shown(round.came);
    if (progress) round.onProgress(progress);
    if (round.ask.enough(answer)) {
      this.end(round);
      round.settle(round.came);
    } else if (round.came.length === round.ask.pieces.length) {
      this.end(round);
      round.settle(round.answers);
    }
  }

  /** A helper that broke off fails whoever had a piece with it; another takes its place. */
  private lose(helper: Helper, message: string): void {
    this.helpers.delete(helper);
    for (const piece of [...this.out.values()]) {
      if (piece.helper !== helper) continue;
      this.end(piece.round);
      piece.round.fail(new Error(message || 'a helper of the planner stopped'));
    }
    const at = this.free.indexOf(helper);
    if (at >= 0) this.free.splice(at, 1);
    this.handOut();
  }

  private end(round: Round): void {
    this.rounds = this.rounds.filter((r) => r !== round);
    for (const [pieceId, piece] of this.out) {
      if (piece.round !== round) continue;
      piece.helper.postMessage({ type: 'drop', pieceId });
      this.out.delete(pieceId);
      if (this.helpers.has(piece.helper)) this.free.push(piece.helper);
    }
  }
}
