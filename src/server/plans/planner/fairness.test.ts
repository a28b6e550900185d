import { describe, expect, it } from 'vitest';
import type { Ask } from '~/core/method/plan/pieces/piece';
import { planInPieces } from '~/core/method/plan/plan';
import type { PlanRequest } from '~/core/method/request';
import { solvePiece } from '~/core/method/plan/pieces/solve';
import { planInput, MOST_JOINTS } from '~/schema/exchange/plan/planRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { PLAN_EXAMPLE } from '../../../../tests/support/requests';
import { planRequest, surfaceRequest, trackOn } from '../../../../tests/support/samples';
import { Helpers, type Helper } from './helpers';
import type { FromHelper, ToHelper } from './pieceProtocol';
import { solvePieces } from './solvePieces';

/** Short plans are not kept waiting by long ones, and whatever is under way can be given up soon (findings A7). */

/** A helper that does what it is told to when it is told. */
class ByHand implements Helper {
  onmessage: Helper['onmessage'] = null;
  onerror: Helper['onerror'] = null;
  readonly pile: number[] = [];

  postMessage(message: ToHelper): void {
    if (message.type === 'solve') this.pile.push(message.pieceId);
    if (message.type === 'drop') this.pile.splice(this.pile.indexOf(message.pieceId), 1);
  }

  finish(): void {
    this.onmessage?.({ data: { type: 'done', pieceId: this.pile.pop()!, answer: null } });
  }
}

const request = { ...planRequest({ '1': [trackOn(2)], '2': [trackOn(2)] }), phase: 'remove' } as never;
const round = (pieces: number): Ask => ({
  stage: 'ask',
  request,
  pieces: Array.from({ length: pieces }, () => ({ kind: 'ladder', heat: 'iron', settings: [] })),
  enough: () => false,
  shown: () => null,
});

/** One helper, and a clock that is set by hand. */
function bench() {
  const clock = { ms: 0 };
  const hand = new ByHand();
  const helpers = new Helpers(
    () => hand,
    1,
    () => clock.ms,
  );
  const over: string[] = [];
  const ask = (jobId: number, pieces: number, name: string) =>
    void helpers.solve(jobId, round(pieces), () => undefined).then(() => over.push(name));
  return { clock, hand, helpers, over, ask };
}

/** The pieces that a plan asks for first. */
function firstAsk(of: PlanRequest): Ask {
  const first = planInPieces(of).next().value;
  if (!('stage' in first) || first.stage !== 'ask') throw new Error('no pieces asked for');
  return first;
}

const turn = () => new Promise((go) => setTimeout(go));

describe('a short plan beside a long one', () => {
  it('has the long one’s piece set aside, is over first, and the long one goes on where it was', async () => {
    const { clock, hand, over, ask } = bench();
    ask(1, 3, 'long');
    clock.ms = 5000;
    ask(2, 1, 'short');
    expect(hand.pile).toHaveLength(2);
    clock.ms = 5100;
    hand.finish();
    await turn();
    expect(over).toEqual(['short']);
    expect(hand.pile).toHaveLength(1);
    for (let i = 0; i < 3; i++) hand.finish();
    await turn();
    expect(over).toEqual(['short', 'long']);
  });

  it('does not take a helper from one that has hardly begun', () => {
    const { clock, hand, ask } = bench();
    ask(1, 3, 'one');
    clock.ms = 100;
    ask(2, 1, 'other');
    expect(hand.pile).toHaveLength(1);
  });

  it('has its pieces done first, round for round, until both were worked on alike', async () => {
    const { clock, hand, over, ask } = bench();
    ask(1, 8, 'long');
    for (let i = 1; i <= 4; i++) {
      clock.ms = i * 1000;
      hand.finish();
    }
    // Four seconds of work against none: a piece of the other lies on top, and its further ones follow.
    ask(2, 3, 'short');
    for (let i = 0; i < 3; i++) {
      clock.ms += 200;
      hand.finish();
      await turn();
    }
    expect(over).toEqual(['short']);
  });

  it('does not pile up without end: sixteen asked at once are handed on as they end', async () => {
    const { clock, hand, over, ask } = bench();
    for (let job = 1; job <= 16; job++) {
      ask(job, 1, String(job));
      clock.ms += 1000;
    }
    expect(hand.pile.length).toBeLessThanOrEqual(4);
    for (let i = 0; i < 16; i++) {
      clock.ms += 10;
      hand.finish();
      await turn();
    }
    expect(over).toHaveLength(16);
  });

  it('given up, its place on the pile goes, and the one beneath is worked on', async () => {
    const { clock, hand, helpers, over, ask } = bench();
    ask(1, 1, 'long');
    clock.ms = 5000;
    ask(2, 4, 'short');
    helpers.drop(2);
    await turn();
    expect(over).toEqual(['short']);
    expect(hand.pile).toHaveLength(1);
    hand.finish();
    await turn();
    expect(over).toEqual(['short', 'long']);
  });
});

describe('a helper’s thread', () => {
  it('works on what came last, and goes on with the other after it', async () => {
    const said: FromHelper[] = [];
    let take: (message: ToHelper) => void = () => undefined;
    const both = new Promise<void>((done) => {
      solvePieces({
        post: (message) => {
          said.push(message);
          if (said.filter(({ type }) => type === 'done').length === 2) done();
        },
        listen: (listener) => (take = listener),
      });
    });
    const [long, quick] = [
      firstAsk(surfaceRequest({ family: 'bga', columns: 20, rows: 20 }, { irons: [], tweezers: [] })),
      firstAsk(planRequest({ '1': [trackOn(2)], '2': [trackOn(2)] })),
    ];
    take({ type: 'request', requestId: 1, request: long.request });
    take({ type: 'solve', pieceId: 1, requestId: 1, piece: long.pieces[0]! });
    await new Promise((go) => setTimeout(go, 1));
    take({ type: 'request', requestId: 2, request: quick.request });
    take({ type: 'solve', pieceId: 2, requestId: 2, piece: quick.pieces[0]! });
    await both;
    expect(said.flatMap((message) => (message.type === 'done' ? [message.pieceId] : []))).toEqual([2, 1]);
  });
});

describe('a plan’s work', () => {
  it('comes in steps that a thread can be turned from', () => {
    // Counted, not timed: a large part’s arrangement was one step; now it has many, all of a size.
    const first = firstAsk(
      surfaceRequest({ family: 'bga', columns: 20, rows: 20 }, { irons: [], tweezers: [] }),
    );
    const steps = solvePiece(first.request, first.pieces[0]!);
    let pauses = 0;
    while (!steps.next().done) pauses++;
    expect(pauses).toBeGreaterThan(40);
  });

  it('is bounded, and says by how much it was too large', () => {
    const near = (count: number) => ({
      ...PLAN_EXAMPLE,
      neighbours: Array.from({ length: count }, (_, i) => ({
        ref: `U${i}`,
        side: 'top',
        alloy: 'sac305',
        x_mm: 20,
        y_mm: 20,
        package: { family: 'qfp', pins: 100 },
      })),
    });
    expect(planRequestOf(planInput.parse(near(20))).neighbours).toHaveLength(20);
    const refused = planInput.safeParse(near(40));
    expect(refused.error!.issues[0]).toMatchObject({ path: ['neighbours'] });
    expect(refused.error!.issues[0]!.message).toMatch(
      new RegExp(`4002 joints together; a plan follows ${MOST_JOINTS}: leave out those`),
    );
  });
});
