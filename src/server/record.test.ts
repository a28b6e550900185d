import { describe, expect, it } from 'vitest';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { stepDone } from '../../tests/support/entries';
import { freshDatabase, withCapacitor } from '../../tests/support/database';
import { newFinding } from '~/schema/records/site/finding';
import { InputError } from '~/schema/values/faults';
import { newSite } from '~/schema/records/site/site';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import type { Db } from '~/server/store/db';
import { Conflict, NotFound } from '~/server/store/errors';
import { railOf } from '~/server/jobs/clocks';
import { placeSite } from '~/server/boards/placement';
import { jobRequestOf } from '~/schema/records/jobs/jobRequest';
import { acceptPlan, type AcceptPlan } from '~/schema/records/jobs/job';
import { acceptJob, solvedHere } from '~/server/jobs/acceptance';
import { exposureFor } from '~/server/jobs/exposure';
import { planningFor } from '~/server/plans/sitePlanning';
import { getBoard } from '~/server/store/repositories/boards';
import { addFinding, findingsOf } from '~/server/store/repositories/findings';
import { appendCosted } from '~/server/jobs/costs';
import { getJob, tracesOf } from '~/server/store/repositories/jobs';
import { sitesOf } from '~/server/store/repositories/sites';
import { listSupplies } from '~/server/store/repositories/supplies';

const SETTING = {
  toolId: 'iron-cartridge',
  tip: { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
  setpoint_C: 380,
  preheat: null,
  fluxed: true,
  freshSolder: true,
} as const;

const accepted = (inputsKey: string, setting: object = SETTING, by = 'MK'): AcceptPlan =>
  acceptPlan.parse({
    siteId: 'site-1',
    by,
    goal: 'remove-keep-part',
    inputsKey,
    choices: [{ phase: 'remove', method: 'leg-at-a-time', setting }],
  });

const keyOf = (db: Db, goal: AcceptPlan['goal'] = 'remove-keep-part'): string =>
  planningFor(db, 'site-1', { goal }).inputsKey;

async function openJob(db: Db) {
  withCapacitor(db);
  return acceptJob(db, accepted(keyOf(db)), solvedHere, () => 2_000_000, 'job-1');
}

/** Goes through the steps up to the first that heats. */
function upToHeat(db: Db, steps: readonly JobStep[]): void {
  for (const step of steps) {
    if (step.kind === 'heat') return;
    write(db, stepDone(step));
  }
}

let press = 0;
function write(db: Db, event: WritableEvent, now_ms = 3_000_000, afterSeq = getJob(db, 'job-1').job.lastSeq) {
  press += 1;
  return appendCosted(
    db,
    'job-1',
    { clientId: `press-${press}`, afterSeq, by: 'MK', event },
    now_ms,
    exposureFor(db),
  );
}

describe('what a job takes from stock', () => {
  it('is that of the half that was heated: the fit that never came takes no wire', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    const replace = acceptPlan.parse({
      ...accepted(keyOf(db, 'replace')),
      goal: 'replace',
      choices: [
        { phase: 'remove', method: 'leg-at-a-time', setting: SETTING },
        { phase: 'fit', method: 'joint-by-joint', setting: SETTING },
      ],
    });
    const { job } = await acceptJob(db, replace, solvedHere, () => 2_000_000, 'job-1');
    const planned = (phase: string, supplyId: string | null): number =>
      job.plan.uses.reduce(
        (sum, u) => sum + (u.phase === phase && u.supplyId === supplyId ? u.amount : 0),
        0,
      );
    const wire = job.plan.consumption.find((line) => line.kind === 'wire')!.supplyId;
    expect(planned('fit', wire)).toBeGreaterThan(0);
    const left = (): number => listSupplies(db).find((s) => s.id === wire)!.left;
    const before = left();

    upToHeat(db, job.plan.steps);
    const heat = job.plan.steps.find((step) => step.kind === 'heat')!;
    const pad = heat.pad!;
    write(db, { kind: 'heat-on', stepId: heat.id, pad });
    write(db, { kind: 'melted', stepId: heat.id, pad, elapsed_s: 1.2 });
    write(db, { kind: 'heat-off', stepId: heat.id, pad, elapsed_s: 2.4 });
    write(db, { kind: 'closed', outcome: 'part-done', cause: '' });
    expect(before - left()).toBeCloseTo(planned('remove', wire), 6);
  });
});

describe('accepting a plan', () => {
  it('writes the job with its inputs, its plan and its opening entry', async () => {
    const db = freshDatabase();
    const { job, events } = await openJob(db);
    expect(job.plan.phases[0]!.chosen.setpoint_C).toBe(380);
    expect(job.plan.site).toEqual({ ref: 'C7', side: 'top', family: 'radial' });
    expect(jobRequestOf(job.request)!.input.site.ref).toBe('C7');
    expect(events.map((e) => e.kind)).toEqual(['opened']);
    expect(getBoard(db, 'brd-1').nextAction).toMatch(/^Run C7: /);
  });

  it('is refused when the record moved on since the plan', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    await expect(acceptJob(db, accepted('stale'), solvedHere, Date.now)).rejects.toThrow(Conflict);
  });

  it('is refused with the tool’s own range when the temperature is outside it', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    const hot = accepted(keyOf(db), { ...SETTING, setpoint_C: 495 });
    await expect(acceptJob(db, hot, solvedHere, Date.now)).rejects.toThrow(
      /495 °C, outside what Cartridge station reaches; give 200 to 450/,
    );
    expect(railOf(db, 0).lines).toEqual([]);
  });

  it('is refused when a half of the goal has no setting', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    const half = { ...accepted(keyOf(db)), goal: 'replace' as const };
    await expect(acceptJob(db, half, solvedHere, Date.now)).rejects.toThrow(
      /do not cover every phase of "replace"/,
    );
  });

  it('keeps the workshop’s own steps, and never loses a gate to them', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    const edits = [
      { op: 'hide', id: 'flux' },
      { op: 'hide', id: 'set' },
      {
        op: 'add',
        id: 'own-1',
        after: 'set',
        kind: 'do',
        title: 'Fan on',
        detail: '',
        why: '',
        wait_s: null,
      },
    ] as const;
    const { job } = await acceptJob(db, { ...accepted(keyOf(db)), edits: [...edits] }, solvedHere, () => 1);
    const ids = job.plan.steps.map((step) => step.id);
    expect(ids).not.toContain('flux');
    expect(ids[ids.indexOf('set') + 1]).toBe('own-1');
  });

  it('opens one job a site, and a site on no board is not found', async () => {
    const db = freshDatabase();
    await openJob(db);
    await expect(acceptJob(db, accepted(keyOf(db), SETTING, 'AO'), solvedHere, Date.now)).rejects.toThrow(
      /running already/,
    );
    expect(() => planningFor(db, 'nowhere', { goal: 'fit' })).toThrow(NotFound);
  });
});

describe('entries of a job', () => {
  it('a dwell’s end brings its exposure, and the next plan counts it', async () => {
    const db = freshDatabase();
    const { job } = await openJob(db);
    upToHeat(db, job.plan.steps);
    write(db, { kind: 'heat-on', stepId: 'heat-1', pad: '1' });
    write(db, { kind: 'melted', stepId: 'heat-1', pad: '1', elapsed_s: 0.9 });
    const before = keyOf(db, 'fit');
    const { events } = write(db, { kind: 'heat-off', stepId: 'heat-1', pad: '1', elapsed_s: 2.2 });
    const exposure = events.at(-1)!;
    expect(exposure).toMatchObject({ kind: 'exposure', pad: '1', duration_s: 2.2 });
    if (exposure.kind === 'exposure') expect(exposure.padDose).toBeGreaterThan(0);
    expect(tracesOf(db, getJob(db, 'job-1').job.boardId).flatMap((job) => job.events)).toHaveLength(
      events.length,
    );
    expect(keyOf(db, 'fit')).not.toBe(before);
  });

  it('the same press sent twice is written once', async () => {
    const db = freshDatabase();
    const { job } = await openJob(db);
    const request = {
      clientId: 'once',
      afterSeq: job.lastSeq,
      by: 'MK',
      event: { kind: 'step-done', stepId: job.plan.steps[0]!.id },
    } as const;
    appendCosted(db, 'job-1', request, 1, exposureFor(db));
    const again = appendCosted(db, 'job-1', request, 2, exposureFor(db));
    expect(again.events.filter((e) => e.kind === 'step-done')).toHaveLength(1);
  });

  it('a press stands at when it was pressed, however late it came, and never before the last entry', async () => {
    const db = freshDatabase();
    const { job } = await openJob(db);
    const append = (clientId: string, now_ms: number, ago_ms: number): number => {
      const { lastSeq } = getJob(db, 'job-1').job;
      const event = { kind: 'note', text: 'x' } as const;
      const request = { clientId, afterSeq: lastSeq, by: 'MK', event, ago_ms };
      return appendCosted(db, 'job-1', request, now_ms, exposureFor(db)).events.at(-1)!.at_ms;
    };
    expect(job.lastSeq).toBe(1);
    expect(append('late', 3_000_000, 1_500)).toBe(2_998_500);
    expect(append('later', 3_001_000, 60_000)).toBe(2_998_500);
    expect(append('at-once', 3_002_000, 0)).toBe(3_002_000);
  });

  it('a second screen that is behind is told, and writes nothing', async () => {
    const db = freshDatabase();
    const { job } = await openJob(db);
    const stepId = job.plan.steps[0]!.id;
    write(db, { kind: 'step-done', stepId });
    expect(() => write(db, { kind: 'step-done', stepId }, 1, job.lastSeq)).toThrow(Conflict);
    expect(getJob(db, 'job-1').events).toHaveLength(2);
  });

  it('cannot be changed or deleted, and nor can findings or an accepted plan', async () => {
    const db = freshDatabase();
    await openJob(db);
    addFinding(
      db,
      newFinding.parse({ padId: 'site-1-1', state: 'dull', foundAs: 'as-received', by: 'MK' }),
      1,
    );
    expect(() => db.$client.exec(`update run_events set at_ms = 0`)).toThrow(/append-only/);
    expect(() => db.$client.exec(`delete from run_events`)).toThrow(/append-only/);
    expect(() => db.$client.exec(`update findings set state = 'sound'`)).toThrow(/append-only/);
    expect(() => db.$client.exec(`delete from findings`)).toThrow(/append-only/);
    expect(() => db.$client.exec(`update jobs set plan = '{}'`)).toThrow(/not changed/);
  });

  it('closing writes outcome and cause, and says what the board waits for', async () => {
    const db = freshDatabase();
    await openJob(db);
    write(db, { kind: 'closed', outcome: 'parked', cause: 'no part' });
    expect(getJob(db, 'job-1').job).toMatchObject({ status: 'closed', outcome: 'parked', cause: 'no part' });
    expect(getBoard(db, 'brd-1').waitingFor).toBe('parts');
    expect(() => write(db, { kind: 'step-done', stepId: 'set' })).toThrow(/closed/);
  });
});

describe('the rail', () => {
  it('shows a wait that runs, and who it belongs to', async () => {
    const db = freshDatabase();
    const { job } = await openJob(db);
    for (const step of job.plan.steps.slice(
      0,
      job.plan.steps.findIndex(({ id }) => id === 'dry'),
    )) {
      if (step.kind === 'heat') {
        write(db, { kind: 'heat-on', stepId: step.id, pad: step.pad! });
        write(db, { kind: 'heat-off', stepId: step.id, pad: step.pad!, elapsed_s: 1 });
      }
      const passed = step.effect === 'part-off' ? ({ kind: 'moved-freely' } as const) : undefined;
      write(db, { ...stepDone(step), passed }, 5_000_000);
    }
    const [line] = railOf(db, 5_060_000).lines;
    expect(line).toMatchObject({
      siteRef: 'C7',
      boardName: 'Test board',
      clock: { kind: 'wait', started_ms: 5_000_000 },
    });
  });
});

describe('placing a site', () => {
  const draft = (changes: object) =>
    newSite.parse({
      ref: 'C9',
      side: 'top',
      x_mm: 10,
      y_mm: 10,
      alloy: 'sac305',
      package: { family: 'radial', pins: 2, pitch_mm: 5, leadDiameter_mm: 0.6, holeDiameter_mm: 0.9 },
      pads: [
        { name: '1', connections: [] },
        { name: '2', connections: [{ kind: 'solid-plane', layers: [2] }] },
      ],
      ...changes,
    });

  it('off the board, with the wrong pins or layers, leaves nothing half-written', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const bad = draft({
      x_mm: 200,
      pads: [{ name: '1', connections: [{ kind: 'solid-plane', layers: [9] }] }],
    });
    try {
      placeSite(db, 'brd-1', bad);
      expect.unreachable();
    } catch (error) {
      expect(error).toBeInstanceOf(InputError);
      const paths = (error as InputError).faults.map((f) => f.path);
      expect(paths).toEqual(['$.x_mm', '$.pads', '$.pads[0].connections']);
    }
    expect(sitesOf(db, 'brd-1').map((s) => s.ref)).toEqual(['C7']);
  });

  it('refuses a reference that is taken, and a board that is not there', () => {
    const db = freshDatabase();
    withCapacitor(db);
    expect(() => placeSite(db, 'brd-1', draft({ ref: 'C7' }))).toThrow(/C7 already/);
    expect(() => placeSite(db, 'none', draft({}))).toThrow(NotFound);
  });
});

describe('findings', () => {
  it('follow one another and are all kept', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const find = (state: string, at_ms: number) =>
      addFinding(db, newFinding.parse({ padId: 'site-1-2', state, foundAs: 'done-here', by: 'MK' }), at_ms);
    find('lifted', 10);
    find('repaired', 20);
    expect(findingsOf(db, 'brd-1').map((f) => f.state)).toEqual(['lifted', 'repaired']);
  });

  it('of a pad that is not in the record are refused', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const stray = newFinding.parse({ padId: 'other', state: 'dull', foundAs: 'done-here', by: 'MK' });
    expect(() => addFinding(db, stray, 1)).toThrow(NotFound);
  });
});
