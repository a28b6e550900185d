import { describe, expect, it, vi } from 'vitest';
import { contactTold } from '~/core/learning/lasting';
import { acceptPlan } from '~/schema/records/jobs/job';
import type { AppendRequest } from '~/schema/records/jobs/runEvent';
import { jobRequestOf } from '~/schema/records/jobs/jobRequest';
import { learntInWords } from '~/schema/words/lessonWords';
import { acceptJob, solvedHere } from '~/server/jobs/acceptance';
import { appendEvent } from '~/server/jobs/append';
import { Draws } from '~/server/jobs/draws';
import { planningFor } from '~/server/plans/sitePlanning';
import type { Db } from '~/server/store/db';
import { getJob } from '~/server/store/repositories/jobs';
import { allTools } from '~/server/store/repositories/tools';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { stepDone } from '../../../tests/support/entries';
import { plannerHere } from '../../../tests/support/plannerHere';
import { tipLessons } from './learnt';
import { Lessons } from './lessons';

const TIP = { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' } as const;
const SETTING = {
  kind: 'hand',
  toolId: 'iron-cartridge',
  tip: TIP,
  setpoint_C: 380,
  perPad_C: {},
  preheat: null,
  fluxed: true,
  freshSolder: true,
} as const;

/** One job whose pins melt so many times later than was planned. */
async function slowJob(db: Db, lessons: Lessons, n: number, times: number): Promise<void> {
  const id = `job-${n}`;
  const { inputsKey } = planningFor(db, 'site-1', { goal: 'reflow' });
  const choices = [{ phase: 'reflow', method: 'joint-by-joint', setting: SETTING }];
  const plan = acceptPlan.parse({ siteId: 'site-1', by: 'MK', goal: 'reflow', inputsKey, choices });
  const at_ms = 2_000_000 + n * 86_400_000;
  const { job } = await acceptJob(db, plan, solvedHere, () => at_ms, id);
  const draws = new Draws(db, plannerHere, () => at_ms);
  draws.of(id);
  await vi.waitFor(() => expect(draws.of(id).awaited).toBe(false), { timeout: 20_000 });
  let now_ms = at_ms;
  const enter = (event: AppendRequest['event']): void => {
    const afterSeq = getJob(db, id).job.lastSeq;
    appendEvent(db, id, { clientId: `${id}-${afterSeq}`, afterSeq, by: 'MK', event }, (now_ms += 1));
  };
  const pins = job.plan.phases[0]!.pins;
  for (const step of job.plan.steps) {
    if (step.kind !== 'heat') {
      enter(stepDone(step));
      now_ms += 120_000;
      continue;
    }
    const melt_s = pins.find((pin) => pin.pad === step.pad)!.melt_s.p50! * times + 0.25;
    enter({ kind: 'heat-on', stepId: step.id, pad: step.pad! });
    now_ms += Math.round(melt_s * 1000);
    enter({ kind: 'melted', stepId: step.id, pad: step.pad!, elapsed_s: melt_s });
    now_ms += 800;
    enter({ kind: 'heat-off', stepId: step.id, pad: step.pad!, elapsed_s: melt_s + 0.8 });
    enter(stepDone(step));
    now_ms += 120_000;
  }
  enter({ kind: 'closed', outcome: 'unchanged', cause: 'still dead' });
  await lessons.after(id);
}

describe('what closed jobs teach of a tip', () => {
  it('is nothing at first, slower contact after slow jobs, in the next plan, and forgotten when it is asked', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    const lessons = new Lessons(db, plannerHere, () => 900_000_000_000);
    expect(planningFor(db, 'site-1', { goal: 'reflow' }).input.learnt).toBeUndefined();

    for (let n = 1; n <= 3; n++) await slowJob(db, lessons, n, 2.2);
    const [lesson] = tipLessons(db, allTools(db));
    expect(lesson).toMatchObject({ toolId: 'iron-cartridge', jobs: 3, drift: null });
    expect(contactTold(lesson!.contact).most).toBeGreaterThan(1.1);
    expect(lesson!.contact.spread).toBeLessThan(0.95);

    const { input } = planningFor(db, 'site-1', { goal: 'reflow' });
    expect(input.learnt!.tips[0]).toMatchObject({ toolId: 'iron-cartridge', jobs: 3 });
    expect(input.learnt!.jobs).toBe(3);
    expect(learntInWords(input.learnt, SETTING)).toMatch(
      /^From 3 jobs on this bench: this tip passes heat worse/,
    );

    // The next plan expects slower melts, and its job keeps what was known then.
    const first = getJob(db, 'job-1').job;
    await slowJob(db, lessons, 4, 1);
    const next = getJob(db, 'job-4').job;
    expect(next.plan.phases[0]!.pins[0]!.melt_s.p50!).toBeGreaterThan(
      1.05 * first.plan.phases[0]!.pins[0]!.melt_s.p50!,
    );
    expect(jobRequestOf(next.request)!.input.learnt!.tips).toHaveLength(1);

    lessons.forget('iron-cartridge', TIP);
    expect(tipLessons(db, allTools(db))).toEqual([]);
    expect(planningFor(db, 'site-1', { goal: 'reflow' }).input.learnt!.tips).toEqual([]);
  }, 60_000);
});
