import { beforeAll, describe, expect, it } from 'vitest';
import { MIGRATIONS } from '../../../tests/support/database';
import { newFinding } from '~/schema/records/site/finding';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { recordFindings } from '~/server/boards/findings';
import { ensureRig } from '~/server/rig/firstRig';
import { planningFor } from '~/server/plans/sitePlanning';
import { readMonths, writeMonths } from '~/server/demo/months';
import { appendEvent } from '~/server/jobs/append';
import { openDatabase, type Db } from '~/server/store/db';
import { countedJobs, factsKept, keepJobFacts, uncountedJobs } from '~/server/store/repositories/jobFacts';
import { getJob } from '~/server/store/repositories/jobs';
import { moveSupply } from '~/server/store/repositories/supplies';
import { paceRecord } from '~/server/store/repositories/trackRecord';
import { factsOf } from './factsOf';
import { countUncounted, recount } from './keep';

const NOW_ms = Date.UTC(2026, 10, 30);
let db: Db;
let jobId: string;

/** Some boards of the sample months, with all that was done on them. */
beforeAll(() => {
  db = openDatabase(':memory:', MIGRATIONS);
  ensureRig(db, NOW_ms);
  const months = readMonths('samples/months.json.gz');
  const boards = months.boards.slice(0, 4);
  const on = ({ board }: { board: string }): boolean => boards.some(({ id }) => id === board);
  const jobs = months.jobs.filter(on);
  const facts = months.facts.filter((f) => jobs.some(({ id }) => id === f['jobId']));
  writeMonths(db, { ...months, boards, jobs, facts, entries: months.entries.filter(on) }, NOW_ms);
  jobId = countedJobs(db).findLast((f) => f.lifted === 0 && f.bridged === 0 && f.joints > 2)!.jobId;
});

let press = 0;
const append = (event: WritableEvent): void => {
  const { lastSeq } = getJob(db, jobId).job;
  appendEvent(db, jobId, { clientId: `key-${++press}`, afterSeq: lastSeq, by: 'MK', event }, NOW_ms + press);
};
const find = (changed: object) => {
  const { siteId } = getJob(db, jobId).job;
  const finding = newFinding.parse({
    padId: `${siteId}-1`,
    state: 'lifted',
    foundAs: 'done-here',
    note: 'Seen again under the lens.',
    by: 'MK',
    jobId,
    ...changed,
  });
  return recordFindings(db, [finding], NOW_ms + ++press)[0]!;
};
const kept = () => factsKept(db, jobId);

describe('how long a job took', () => {
  it('is held against what was foretold, and gives the pace of its hands', () => {
    const { job } = getJob(db, jobId);
    const { pace, minutes, held } = factsOf(db, jobId)!;
    const { figures_s, heat_s, clocks_s, work_s } = job.plan.times!;
    expect(pace).toBeCloseTo((60 * minutes - heat_s - clocks_s) / figures_s, 9);
    expect(held.minutes.off).toEqual([Math.round((1000 * 60 * minutes) / work_s.p50) / 1000]);
  });

  it('tells nothing where a step of it was not done', () => {
    const last = getJob(db, jobId).job.plan.steps.at(-1)!;
    append({ kind: 'resumed' });
    append({ kind: 'step-back', stepId: last.id });
    append({ kind: 'closed', outcome: 'unchanged', cause: 'Its last look was left out.' });
    expect(kept()).toMatchObject({ pace: null });
    expect(kept()!.held.minutes).toMatchObject({ early: 0, within: 0, late: 0 });
  });

  it('is what the next plan reckons with: of whoever does it, and of everyone else, by their latest jobs', () => {
    const log = (whose: (by: string) => boolean): number[] =>
      countedJobs(db).flatMap(({ by, pace }) => (pace !== null && whose(by) ? [Math.log(pace)] : []));
    const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
    const { by } = getJob(db, jobId).job;
    const record = paceRecord(db, by);
    const [own, others] = [log((who) => who === by), log((who) => who !== by)];
    expect(record.own).toMatchObject({ jobs: own.length, meanLog: expect.closeTo(mean(own), 9) as number });
    expect(record.others).toMatchObject({
      jobs: others.length,
      meanLog: expect.closeTo(mean(others), 9) as number,
    });
    const { siteId } = getJob(db, jobId).job;
    expect(planningFor(db, siteId, { goal: 'replace', by }).input.pace).toEqual(record);
  });
});

describe('what a job was done with', () => {
  it('is named with the batch that was told by then, and with none that was told later', () => {
    const last = countedJobs(db).reduce((a, b) => (b.acceptedAt_ms > a.acceptedAt_ms ? b : a));
    const { job } = getJob(db, last.jobId);
    const wire = job.plan.consumption.find(({ kind }) => kind === 'wire')!;
    const told = (batch: string, at_ms: number) =>
      moveSupply(db, { supplyId: wire.supplyId!, reason: 'bought', amount: 1000, batch, by: 'MK' }, at_ms);
    expect(factsOf(db, job.id)!.solder).toBe(wire.name);
    told('B-0417', job.acceptedAt_ms - 1);
    told('B-0520', job.acceptedAt_ms + 1);
    recount(db, job.id);
    expect(factsKept(db, job.id)!.solder).toBe(`${wire.name}, batch B-0417`);
  });
});

describe('what is counted of a job', () => {
  it('goes when the job goes on, and is there again, as it ended, when it is closed', () => {
    append({ kind: 'resumed' });
    expect(kept()).toBeNull();
    append({ kind: 'closed', outcome: 'improved', cause: 'Better, not well.', rootCause: 'wet' });
    expect(kept()).toMatchObject({ outcome: 'improved', rootCause: 'wet' });
    expect(kept()).toEqual(factsOf(db, jobId));
  });

  it('takes a finding in with the finding itself, and lets it go when that is taken back', () => {
    const found = find({});
    expect(kept()!.lifted).toBe(1);
    find({ takesBackId: found.id });
    expect(kept()!.lifted).toBe(0);
  });

  it('counts what came as received to nobody, and a pad once however often it is looked at', () => {
    find({ foundAs: 'as-received', jobId: null });
    expect(kept()!.lifted).toBe(0);
    const [first, second] = [find({}), find({})];
    expect(kept()!.lifted).toBe(1);
    find({ takesBackId: first.id });
    find({ takesBackId: second.id });
  });

  it('takes what is found later without naming a job to the last job on its site', () => {
    const found = find({ jobId: null });
    expect(kept()!.lifted).toBe(1);
    find({ jobId: null, takesBackId: found.id });
    expect(kept()!.lifted).toBe(0);
  });

  it('is the same after every one of these as a recount from the record', () => {
    for (const { jobId: id } of countedJobs(db).slice(-25))
      expect(factsKept(db, id)).toEqual(factsOf(db, id));
  });

  it('is made up for jobs that were closed before anything was counted', async () => {
    const before = kept();
    keepJobFacts(db, jobId, null);
    expect(uncountedJobs(db)).toEqual([jobId]);
    await countUncounted(db);
    expect(kept()).toEqual(before);
  });
});
