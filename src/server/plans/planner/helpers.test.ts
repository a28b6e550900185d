import { describe, expect, it } from 'vitest';
import { planOf } from '../../../../tests/support/solve';
import { planeOn, planRequest, surfaceRequest, trackOn } from '../../../../tests/support/samples';
import { planInPieces, type Plan } from '~/core/method/plan/plan';
import type { Progress } from '~/core/method/progress';
import type { PlanRequest } from '~/core/method/request';
import { PLAN } from '~/core/method/settings';
import { Helpers, type Helper } from './helpers';
import type { FromHelper, ToHelper } from './pieceProtocol';
import { solvePieces } from './solvePieces';

/** A helper on this thread, behind the same copying that a thread's messages go through. */
class StandIn implements Helper {
  onmessage: Helper['onmessage'] = null;
  onerror: Helper['onerror'] = null;
  readonly got: ToHelper[] = [];
  private take: (message: ToHelper) => void = () => undefined;

  constructor(private readonly breaks: string | null = null) {
    solvePieces({ post: (message) => this.say(message), listen: (take) => (this.take = take) });
  }

  postMessage(sent: ToHelper): void {
    const message = structuredClone(sent);
    this.got.push(message);
    const { breaks } = this;
    if (breaks && message.type === 'solve')
      setTimeout(() => this.say({ type: 'failed', pieceId: message.pieceId, message: breaks }), 0);
    else setTimeout(() => this.take(message), 0);
  }

  private say(message: FromHelper): void {
    this.onmessage?.({ data: structuredClone(message) });
  }
}

const helpersOf = (made: StandIn[], most: number): Helpers =>
  new Helpers(() => {
    const helper = new StandIn();
    made.push(helper);
    return helper;
  }, most);

async function planned(
  request: PlanRequest,
  helpers: Helpers,
  seen: Progress[] = [],
  jobId = 1,
): Promise<Plan> {
  const steps = planInPieces(request);
  let next = steps.next();
  while (!next.done) {
    const { value } = next;
    next = steps.next(
      value.stage === 'ask'
        ? await helpers.solve(jobId, value, (progress) => seen.push(progress))
        : undefined,
    );
  }
  return next.value;
}

const hard = planRequest({ '1': [trackOn(4)], '2': [planeOn(2, 3)] });

describe('a plan whose pieces are solved side by side', () => {
  it('is the plan of one thread, for holes', async () => {
    const made: StandIn[] = [];
    expect(await planned(hard, helpersOf(made, 3))).toEqual(planOf(hard));
    expect(made.length).toBeGreaterThan(1);
  });

  it('is the plan of one thread, for lands under air', async () => {
    const air = surfaceRequest({ family: 'soic', pins: 8 }, { irons: [], tweezers: [] });
    expect(await planned(air, helpersOf([], 2))).toEqual(planOf(air));
  });

  it('tells each helper a request once, and hands a piece only to a free one', async () => {
    const made: StandIn[] = [];
    await planned(hard, helpersOf(made, 2));
    expect(made).toHaveLength(2);
    for (const { got } of made) {
      expect(got.filter((m) => m.type === 'request')).toHaveLength(1);
      expect(got.filter((m) => m.type === 'solve').length).toBeGreaterThan(2);
    }
  });

  it('shows its search and its bands while they come', async () => {
    const seen: Progress[] = [];
    await planned(hard, helpersOf([], 2), seen);
    const searched = seen.filter((p) => p.stage === 'search');
    expect(searched.at(-1)!.done).toBe(searched.at(-1)!.of);
    expect(seen.filter((p) => p.stage === 'band').map((p) => p.band.draws)).toContain(PLAN.batch);
  });

  it('is given up at once, and what was under way is not taken for the next', async () => {
    const made: StandIn[] = [];
    const helpers = helpersOf(made, 2);
    const steps = planInPieces(hard);
    const first = steps.next().value;
    if (!('stage' in first) || first.stage !== 'ask') throw new Error('no pieces asked for');
    const dropped = helpers.solve(1, first, () => undefined);
    helpers.drop(1);
    expect(await dropped).toBeNull();
    expect(made.every(({ got }) => got.some((m) => m.type === 'drop'))).toBe(true);
    expect(await planned(hard, helpers)).toEqual(planOf(hard));
  });

  it('goes on beside another job’s: each is what it would be alone', async () => {
    const helpers = helpersOf([], 2);
    const easy = planRequest({ '1': [trackOn(4)], '2': [trackOn(4)] });
    const [one, other] = await Promise.all([planned(hard, helpers, [], 1), planned(easy, helpers, [], 2)]);
    expect(one).toEqual(planOf(hard));
    expect(other).toEqual(planOf(easy));
  });

  it('given up leaves the other job’s as it is', async () => {
    const helpers = helpersOf([], 2);
    const steps = planInPieces(hard);
    const first = steps.next().value;
    if (!('stage' in first) || first.stage !== 'ask') throw new Error('no pieces asked for');
    const dropped = helpers.solve(1, first, () => undefined);
    const other = planned(hard, helpers, [], 2);
    helpers.drop(1);
    expect(await dropped).toBeNull();
    expect(await other).toEqual(planOf(hard));
  });

  it('fails where a helper breaks off; another takes its place', async () => {
    const made: StandIn[] = [];
    const helpers = helpersOf(made, 1);
    const first = planned(hard, helpers);
    made[0]!.onerror!({ message: 'out of memory' });
    await expect(first).rejects.toThrow('out of memory');
    expect(await planned(hard, helpers)).toEqual(planOf(hard));
    expect(made).toHaveLength(2);
  });

  it('fails with what a helper says', async () => {
    const helpers = new Helpers(() => new StandIn('singular network'), 1);
    await expect(planned(hard, helpers)).rejects.toThrow('singular network');
  });
});
