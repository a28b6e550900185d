import { describe, expect, it } from 'vitest';
import { acceptPlan } from '~/schema/records/jobs/job';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { planningFor } from '~/server/plans/sitePlanning';
import { getJob } from '~/server/store/repositories/jobs';
import { stepDone } from '../../../tests/support/entries';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { acceptJob, solvedHere } from './acceptance';
import { appendCosted } from './costs';
import { exposureFor } from './exposure';
import { jobReport } from './report';
import { takeLog } from './thermalLogs';

async function opened() {
  const db = freshDatabase();
  withCapacitor(db);
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
  const { job } = await acceptJob(db, plan, solvedHere, () => 2_000_000, 'job-1');
  let count = 0;
  const write = (event: WritableEvent): void => {
    count++;
    const { lastSeq } = getJob(db, 'job-1').job;
    appendCosted(
      db,
      'job-1',
      { clientId: `press-${count}`, afterSeq: lastSeq, by: 'MK', event },
      3_000_000 + 1000 * count,
      exposureFor(db),
    );
  };

  return { db, job, write };
}

describe('a job as Markdown', () => {
  it('is a traveller before anything is done: what will be done, to be ticked, and what of', async () => {
    const { db, job } = await opened();
    const { name, body } = jobReport(db, 'job-1', 0);
    expect(name).toMatch(/^[A-Za-z0-9-]+\.md$/);
    expect(body).toMatch(/^# Traveller: C7/);
    for (const { title } of job.plan.steps) expect(body).toContain(`- [ ] **${title}**`);
    expect(body).toContain('## To be used');
  });

  it('is a report afterwards: planned beside actual, what was read, notes, curves, what is left', async () => {
    const { db, job, write } = await opened();
    const heat = job.plan.steps.findIndex((s) => s.kind === 'heat');
    for (const step of job.plan.steps.slice(0, heat)) write(stepDone(step));
    const { id, pad } = job.plan.steps[heat]!;
    write({ kind: 'heat-on', stepId: id, pad: pad! });
    write({ kind: 'melted', stepId: id, pad: pad!, elapsed_s: 1.4 });
    write({ kind: 'heat-off', stepId: id, pad: pad!, elapsed_s: 3.2 });
    write({ kind: 'note', text: 'A line | with *signs*\nand another' });
    takeLog(db, job, { text: 'elapsed_s,tc1\n0,23\n1,221.4\n', name: 'bench log', by: 'MK' }, 'log-1', 9);
    const { body } = jobReport(db, 'job-1', 0);
    expect(body).toMatch(/^# Report: C7/);
    expect(body).toMatch(/\| pin 1 \| \d\.\d s to \d\.\d s \| 1\.4 s \|/);
    expect(body).toContain('380 °C');
    expect(body).toContain('A line \\| with \\*signs\\* and another');
    expect(body).toContain('bench log, from a file: tc1 up to 221 °C');
    expect(body).toContain('## Not done');
    // Every table row has as many cells as its head.
    for (const table of body.split('\n\n').filter((b) => b.startsWith('|'))) {
      const cells = table.split('\n').map((line) => line.split(/(?<!\\)\|/).length);
      expect(new Set(cells).size).toBe(1);
    }
  });
});
