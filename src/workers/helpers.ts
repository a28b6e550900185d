import type { Ask } from '../core/method/pieces/piece';
import type { Progress } from '../core/method/progress';
import type { PhaseRequest } from '../core/method/request';
import type { FromHelper, ToHelper } from './pieceProtocol';

/** More threads than this gain little: a plan asks for few pieces at a time. */
const MOST_HELPERS = 4;

/** What a helper is to those who hand it pieces: a worker, or a stand-in for one. */
export interface Helper {
  postMessage(message: ToHelper): void;
  onmessage: ((event: { data: FromHelper }) => void) | null;
  onerror: ((event: { message: string }) => void) | null;
}

interface Round {
  readonly ask: Ask;
  readonly requestId: number;
  readonly answers: unknown[];
  readonly came: unknown[];
  /** Pieces out with helpers, by their id. */
  readonly out: Map<number, { readonly helper: Helper; readonly at: number }>;
  next: number;
  readonly onProgress: (progress: Progress) => void;
  readonly settle: (answers: readonly unknown[] | null) => void;
  readonly fail: (error: Error) => void;
}

/** Helpers of one planning worker: pieces of a plan are handed to whichever is free. One round at a time. */
export class Helpers {
  private readonly helpers: Helper[] = [];
  private readonly free: Helper[] = [];
  private readonly told = new Map<Helper, number>();
  private request: { readonly id: number; readonly of: PhaseRequest } | null = null;
  private pieceId = 0;
  private round: Round | null = null;

  constructor(
    private readonly start: () => Helper,
    private readonly most: number = Math.min(MOST_HELPERS, Math.max(1, navigator.hardwareConcurrency)),
  ) {}

  /** Answers of a round's pieces in their order, or those that came by when one was enough; null where it was dropped. */
  solve(ask: Ask, onProgress: (progress: Progress) => void): Promise<readonly unknown[] | null> {
    if (this.round) throw new Error('a round is under way');
    if (ask.pieces.length === 0) return Promise.resolve([]);
    if (this.request?.of !== ask.request) {
      this.request = { id: (this.request?.id ?? 0) + 1, of: ask.request };
    }
    const requestId = this.request.id;
    return new Promise((settle, fail) => {
      this.round = {
        ask,
        requestId,
        answers: [],
        came: [],
        out: new Map(),
        next: 0,
        onProgress,
        settle,
        fail,
      };
      this.handOut(this.round);
    });
  }

  /** Starts them before there is work: loading takes as long as a small plan. */
  prepare(): void {
    for (let one = this.another(); one; one = this.another()) this.free.push(one);
  }

  /** Gives the round under way up: its pieces are dropped where they stand. */
  drop(): void {
    const { round } = this;
    if (!round) return;
    this.end(round);
    round.settle(null);
  }

  private handOut(round: Round): void {
    while (round.next < round.ask.pieces.length) {
      const helper = this.free.pop() ?? this.another();
      if (!helper) return;
      if (this.told.get(helper) !== round.requestId) {
        helper.postMessage({ type: 'request', requestId: round.requestId, request: round.ask.request });
        this.told.set(helper, round.requestId);
      }
      const at = round.next++;
      this.pieceId += 1;
      round.out.set(this.pieceId, { helper, at });
      const { pieceId } = this;
      helper.postMessage({
        type: 'solve',
        pieceId,
        requestId: round.requestId,
        piece: round.ask.pieces[at]!,
      });
    }
  }

  private another(): Helper | null {
    if (this.helpers.length >= this.most) return null;
    const helper = this.start();
    helper.onmessage = ({ data }) => this.receive(data);
    helper.onerror = ({ message }) => this.fail(message || 'a helper of the planning worker stopped');
    this.helpers.push(helper);
    return helper;
  }

  private receive(message: FromHelper): void {
    const { round } = this;
    const piece = round?.out.get(message.pieceId);
    // What was dropped may still have been on its way.
    if (!round || !piece) return;
    switch (message.type) {
      case 'progress':
        if (!round.ask.silent) round.onProgress(message.progress);
        break;
      case 'failed':
        this.fail(message.message);
        break;
      case 'done':
        round.out.delete(message.pieceId);
        this.free.push(piece.helper);
        this.take(round, piece.at, message.answer);
        break;
    }
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
    } else {
      this.handOut(round);
    }
  }

  private fail(message: string): void {
    const { round } = this;
    if (!round) return;
    this.end(round);
    round.fail(new Error(message));
  }

  private end(round: Round): void {
    for (const [pieceId, { helper }] of round.out) {
      helper.postMessage({ type: 'drop', pieceId });
      this.free.push(helper);
    }
    this.round = null;
  }
}
