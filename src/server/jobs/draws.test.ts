import { describe, expect, it, vi } from 'vitest';
import { drawsFromKept } from '~/core/learning/fromKept';
import { expectedOf, learnt } from '~/core/learning/expected';
import { acceptPlan } from '~/schema/records/jobs/job';
import type { Planner } from '~/server/plans/planner/planner';
import { planningFor } from '~/server/plans/sitePlanning';
import type { Db } from '~/server/store/db';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { plannerHere } from '../../../tests/support/plannerHere';
import { acceptJob, solvedHere } from './acceptance';
import { Draws } from './draws';

async function job(db: Db) {
  const { inputsKey } = planningFor(db, 'site-1', { goal: 'remove-keep-part' });
  const setting = {
    toolId: 'iron-cartridge',
    tip: { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
    setpoint_C: 380,
    preheat: null,
    fluxed: true,
    freshSolder: true,
  };
  const choices = [{ phase: 'remove', method: 'leg-at-a-time', setting }];
  const plan = acceptPlan.parse({ siteId: 'site-1', by: 'MK', goal: 'remove-keep-part', inputsKey, choices });
  return acceptJob(db, plan, solvedHere, () => 2_000_000, 'job-1');
}

describe('the draws behind a plan’s bands', () => {
  it('are kept with the job, once, and say what the plan said until something was seen', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    const { job: made } = await job(db);
    const draws = new Draws(db, plannerHere, () => 2_100_000);
    expect(draws.of('job-1')).toEqual({ phases: {}, awaited: true });
    await vi.waitFor(() => expect(draws.of('job-1').awaited).toBe(false));
    const kept = drawsFromKept(draws.of('job-1').phases.remove!);
    for (const pin of made.plan.phases[0]!.pins) {
      const now = expectedOf(learnt(kept, []), pin.pad, 0)!;
      // What is common and what is a touch's own add up to the plan's band again, to a straight line's faults.
      expect(now.p50_s / pin.melt_s.p50!).toBeGreaterThan(0.93);
      expect(now.p50_s / pin.melt_s.p50!).toBeLessThan(1.07);
      // By their quickness: where a tenth hardly melts at all seconds tell nothing.
      expect(Math.abs(1 / now.p90_s - 1 / pin.melt_s.p90!) * now.p50_s).toBeLessThan(0.1);
    }
  });

  it('are not kept where the model throws, and the job goes on', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    await job(db);
    const told = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const broken: Pick<Planner, 'ask'> = {
      ask: (_task, listen) => {
        setTimeout(() => listen({ type: 'failed', jobId: 1, message: 'no' }));
        return () => undefined;
      },
    };
    const draws = new Draws(db, broken);
    expect(draws.of('job-1').awaited).toBe(true);
    await vi.waitFor(() => expect(told).toHaveBeenCalled());
    expect(draws.of('job-1').phases).toEqual({});
    told.mockRestore();
  });
});
