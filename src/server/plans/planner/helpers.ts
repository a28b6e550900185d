import { availableParallelism } from 'node:os';
import { LRUCache } from 'lru-cache';
import type { Ask } from '~/core/method/plan/pieces/piece';
import type { Progress } from '~/core/method/progress';
import type { PhaseRequest } from '~/core/method/request';
import { LastTold, type FromHelper, type ToHelper } from './pieceProtocol';

/** So much longer a job has been worked on than one that waits before its piece is set aside for that one's. */
const PATIENCE_ms = 250;
/** Pieces that lie with one helper, the last on top: only that one is worked on. */
const DEEPEST = 4;
/** Jobs whose work so far is remembered. */
const MOST_JOBS = 200;

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

/** A piece that lies with a helper. */
interface Out {
  readonly round: Round;
  readonly helper: Helper;
  readonly at: number;
  /** Since when it is on top and worked on; null while another lies on it. */
  since_ms: number | null;
}

/**
 * Helpers of the planning thread. A job has one round of pieces at a time. The next piece is always that of the job that
 * was worked on least, so that a short one is soon over whatever long ones are about; where every helper is at a job that
 * was worked on for longer, its piece is set aside for the other's and taken up again after it.
 */
export class Helpers {
  private readonly helpers = new Map<Helper, { readonly told: LastTold<true>; readonly pile: number[] }>();
  private rounds: Round[] = [];
  /** Pieces out with helpers, by their id. */
  private readonly out = new Map<number, Out>();
  /** How long each job was worked on in pieces that are over or set aside. */
  private readonly worked_ms = new LRUCache<number, number>({ max: MOST_JOBS });
  private readonly requestIds = new WeakMap<PhaseRequest, number>();
  private requestId = 0;
  private pieceId = 0;

  constructor(
    private readonly start: () => Helper,
    private readonly most: number = Math.min(MOST_HELPERS, Math.max(1, availableParallelism())),
    private readonly now_ms: () => number = () => performance.now(),
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
    while (this.another());
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
      const [round] = this.rounds
        .filter(({ next, ask }) => next < ask.pieces.length)
        .sort((a, b) => this.workOn(a.jobId) - this.workOn(b.jobId));
      const helper = round && this.helperFor(round.jobId);
      if (!helper) return;
      const { requestId, ask } = round;
      const { told, pile } = this.helpers.get(helper)!;
      if (!told.get(requestId)) {
        helper.postMessage({ type: 'request', requestId, request: ask.request });
        told.add(requestId, true);
      }
      const at = round.next++;
      const pieceId = ++this.pieceId;
      this.pause(pile.at(-1));
      this.out.set(pieceId, { round, helper, at, since_ms: this.now_ms() });
      pile.push(pieceId);
      helper.postMessage({ type: 'solve', pieceId, requestId, piece: ask.pieces[at]! });
    }
  }

  /** One that is free, or a new one, or the one at the longest job if that has had so much more than this one. */
  private helperFor(jobId: number): Helper | null {
    for (const [helper, { pile }] of this.helpers) if (pile.length === 0) return helper;
    const fresh = this.another();
    if (fresh) return fresh;
    const least_ms = this.workOn(jobId) + PATIENCE_ms;
    let longest: { readonly helper: Helper; readonly work_ms: number } | null = null;
    for (const [helper, { pile }] of this.helpers) {
      if (pile.length >= DEEPEST) continue;
      const work_ms = this.workOn(this.out.get(pile.at(-1)!)!.round.jobId);
      if (work_ms > (longest?.work_ms ?? least_ms)) longest = { helper, work_ms };
    }
    return longest?.helper ?? null;
  }

  /** How long a job was worked on so far, pieces in hand among it. */
  private workOn(jobId: number): number {
    let work_ms = this.worked_ms.get(jobId) ?? 0;
    for (const { round, since_ms } of this.out.values())
      if (round.jobId === jobId && since_ms !== null) work_ms += this.now_ms() - since_ms;
    return work_ms;
  }

  /** Counts what was done on a piece that is worked on no longer. */
  private pause(pieceId: number | undefined): void {
    const piece = pieceId === undefined ? undefined : this.out.get(pieceId);
    if (!piece || piece.since_ms === null) return;
    const { jobId } = piece.round;
    this.worked_ms.set(jobId, (this.worked_ms.get(jobId) ?? 0) + this.now_ms() - piece.since_ms);
    piece.since_ms = null;
  }

  /** Takes a piece off its helper's pile; what lay under it is worked on again. */
  private takeOff(pieceId: number): void {
    this.pause(pieceId);
    const { helper } = this.out.get(pieceId)!;
    this.out.delete(pieceId);
    const pile = this.helpers.get(helper)?.pile;
    if (!pile) return;
    pile.splice(pile.indexOf(pieceId), 1);
    const top = pile.length > 0 ? this.out.get(pile.at(-1)!) : undefined;
    if (top) top.since_ms ??= this.now_ms();
  }

  private another(): Helper | null {
    if (this.helpers.size >= this.most) return null;
    const helper = this.start();
    helper.onmessage = ({ data }) => this.receive(data);
    helper.onerror = ({ message }) => this.lose(helper, message);
    this.helpers.set(helper, { told: new LastTold(), pile: [] });
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
        this.takeOff(message.pieceId);
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
    this.handOut();
  }

  private end(round: Round): void {
    this.rounds = this.rounds.filter((r) => r !== round);
    for (const [pieceId, piece] of this.out) {
      if (piece.round !== round) continue;
      if (this.helpers.has(piece.helper)) piece.helper.postMessage({ type: 'drop', pieceId });
      this.takeOff(pieceId);
    }
  }
}
