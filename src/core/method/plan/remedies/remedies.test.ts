import { inOneGo } from '~/core/stepwise';
import { describe, expect, it } from 'vitest';
import { planeOn, planRequest, trackOn } from '../../../../../tests/support/samples';
import { planOf } from '../../../../../tests/support/solve';
import { isSure } from '../../hand/bands';
import { methodOf } from '../../ways';
import { explore, plan as planning } from '../plan';
import type { Progress } from '../../progress';
import type { PlanRequest } from '../../request';
import type { Remedy } from './remedy';

const SIX = { ...planRequest({}).board, thickness_m: 2e-3 };
const grounded = planRequest({ '1': [trackOn(4)], '2': [planeOn(2, 3)] }, { preheaters: [] });
const buried = planRequest(
  { '1': [planeOn(2, 3)], '2': [planeOn(2, 3)] },
  { board: { ...SIX, copper: SIX.copper.map((c) => ({ ...c, thickness_m: 70e-6 })) } },
);

const stuck = (request: PlanRequest): readonly Remedy[] => {
  const plan = planOf(request);
  if (plan.outcome !== 'no-feasible-setting') throw new Error(plan.outcome);
  return plan.remedies;
};

describe('remedies', () => {
  it('that are said to work stay sure when their setting is asked for by itself', () => {
    const remedy = stuck(grounded).find((r) => r.works)!;
    const exploring = explore(
      { ...grounded, goal: remedy.kind === 'give-up-the-part' ? 'remove-sacrifice-part' : grounded.goal },
      [{ phase: 'remove', method: remedy.method, setting: remedy.setting }],
    );
    expect(inOneGo(exploring).phases[0].bands.every(isSure)).toBe(true);
  });

  it('include a board warmed hotter and longer than the search warms it', () => {
    const soaks = stuck(buried).flatMap((r) => (r.kind === 'preheat' ? [r.setting.preheat!.soak_s] : []));
    expect(Math.min(...soaks)).toBeGreaterThan(120);
  });

  it('are put together where none will do alone: a tip and a warmer board at once', () => {
    const all = stuck(buried);
    expect(all.filter((r) => r.kind === 'wider-tip-and-preheat')).toHaveLength(1);
    expect(all.some((r) => r.works && r.onBench && r.kind === 'preheat')).toBe(false);
  });

  it('list first what works, and of that what the bench has', () => {
    for (const request of [grounded, buried]) {
      const marks = stuck(request).map((r) => 2 * Number(r.works) + Number(r.onBench));
      expect(marks).toEqual([...marks].sort((a, b) => b - a));
    }
  });

  it('stand beside methods that all say why they will not do', () => {
    for (const request of [grounded, buried]) {
      const plan = planOf(request);
      if (plan.outcome !== 'no-feasible-setting') throw new Error(plan.outcome);
      expect(plan.methods.some((m) => m.feasible)).toBe(false);
      expect(plan.methods.every((m) => m.reasons.length > 0)).toBe(true);
    }
  });

  it('cut a two-legged part free where the part may be lost, stub by stub', () => {
    const cut = stuck(buried).find((r) => r.kind === 'give-up-the-part')!;
    expect(cut.method).toBe('cut-then-pins');
    expect(methodOf(cut.method).survival).toBe(0);
  });

  it('show how far they are, and no band of a setting that is not on screen', () => {
    const seen: Progress[] = [];
    const steps = planning(buried);
    for (let next = steps.next(); !next.done; next = steps.next()) seen.push(next.value);
    const from = seen.findIndex((p) => p.stage === 'remedies');
    expect(from).toBeGreaterThanOrEqual(0);
    expect(seen.slice(from).every((p) => p.stage === 'remedies')).toBe(true);
    const counts = seen.flatMap((p) => (p.stage === 'remedies' ? [p.done] : []));
    expect(counts).toEqual(counts.map((_, i) => i));
  });
});
