import { describe, expect, it, vi } from 'vitest';
import type { BoardEntryBody } from '~/core/record/boardEntries';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { acceptPlan } from '~/schema/records/jobs/job';
import { newFinding } from '~/schema/records/site/finding';
import { newSite } from '~/schema/records/site/site';
import { acceptJob, solvedHere } from '~/server/jobs/acceptance';
import { heatCost } from '~/core/method/heatCost';
import { inOneGo } from '~/core/stepwise';
import type { AppendRequest } from '~/schema/records/jobs/runEvent';
import { appendEvent } from '~/server/jobs/append';
import { appendCosted, Costs } from '~/server/jobs/costs';
import type { Planner } from '~/server/plans/planner/planner';
import { exposureFor } from '~/server/jobs/exposure';
import { planSheet } from '~/server/plans/planSheet';
import { planningFor } from '~/server/plans/sitePlanning';
import type { Db } from '~/server/store/db';
import { Conflict } from '~/server/store/errors';
import { getBoard } from '~/server/store/repositories/boards';
import { getJob } from '~/server/store/repositories/jobs';
import { keepLog } from '~/server/store/repositories/thermalLogs';
import { stepDone } from '../../../tests/support/entries';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { enterOnBoard } from './boardEntry';
import { boardStanding } from './boardStanding';
import { recordFindings } from './findings';
import { placeSite } from './placement';
import { restateAll } from './restate';

let count = 0;
const enter = (db: Db, body: BoardEntryBody, now_ms = 9_000_000) =>
  enterOnBoard(db, 'brd-1', { clientId: `entry-${++count}`, by: 'MK', body: body }, now_ms);

const SETTING = {
  toolId: 'iron-cartridge',
  tip: { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
  setpoint_C: 380,
  preheat: null,
  fluxed: true,
  freshSolder: true,
};

async function open(db: Db, goal: 'remove-keep-part' | 'remove-sacrifice-part' = 'remove-keep-part') {
  const { inputsKey } = planningFor(db, 'site-1', { goal });
  const choices = [{ phase: 'remove', method: 'leg-at-a-time', setting: SETTING }];
  const plan = acceptPlan.parse({ siteId: 'site-1', by: 'MK', goal, inputsKey, choices });
  return acceptJob(db, plan, solvedHere, () => 2_000_000, 'job-1');
}

const asked = (db: Db, event: WritableEvent): AppendRequest => ({
  clientId: `press-${++count}`,
  afterSeq: getJob(db, 'job-1').job.lastSeq,
  by: 'MK',
  event,
});
/** The fact alone. */
const append = (db: Db, event: WritableEvent) =>
  appendEvent(db, 'job-1', asked(db, event), 3_000_000 + count);
/** With what it cost. */
const write = (db: Db, event: WritableEvent) =>
  appendCosted(db, 'job-1', asked(db, event), 3_000_000 + count, exposureFor(db));

/** Takes the part off and closes the job there. */
function takeOff(db: Db): void {
  for (const step of getJob(db, 'job-1').job.plan.steps) {
    const { id, kind, pad, effect } = step;
    if (kind === 'heat') {
      write(db, { kind: 'heat-on', stepId: id, pad: pad! });
      write(db, { kind: 'melted', stepId: id, pad: pad!, elapsed_s: 0.9 });
      write(db, { kind: 'heat-off', stepId: id, pad: pad!, elapsed_s: 2 });
    }
    write(db, { ...stepDone(step), ...(effect === 'part-off' ? { where: 'tray 3' } : {}) });
    if (effect === 'part-off') break;
  }
  write(db, { kind: 'closed', outcome: 'fixed', cause: '', acceptedWithout: 'looked at under the lens' });
}

describe('where a board stands', () => {
  it('a part that is off makes it wait for its fit, however the job was closed', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    await open(db);
    takeOff(db);
    expect(getBoard(db, 'brd-1')).toMatchObject({ waitingFor: 'you', nextAction: 'Fit C7' });
    const { occupancies, open: work } = boardStanding(db, 'brd-1');
    expect(occupancies['site-1']).toMatchObject({ kind: 'off-kept', where: 'tray 3', undressed: true });
    expect(work.map((item) => item.kind)).toEqual(['part-off', 'untested']);
    // The plan opens on its fit, dresses first, and a removal is not opened.
    expect(planSheet(db, 'site-1', 'remove-keep-part')).toMatchObject({ goal: 'fit' });
    expect(planningFor(db, 'site-1', { goal: 'fit' }).input.site.undressed).toBe(true);
    await expect(open(db)).rejects.toThrow(/off, kept: tray 3: it can be fitted/);
  });

  it('a part that is off is no neighbour, and not done on a whole-board list', async () => {
    const db = freshDatabase();
    const { boardId } = withCapacitor(db);
    const other = placeSite(
      db,
      boardId,
      newSite.parse({
        ref: 'R1',
        side: 'top',
        x_mm: 70,
        y_mm: 50,
        alloy: 'sn60pb40',
        package: { family: 'chip', code: '0805' },
        pads: ['1', '2'].map((name) => ({ name, connections: [] })),
      }),
    );
    const neighbours = () => planningFor(db, other.id, { goal: 'reflow' }).input.neighbours.map((n) => n.ref);
    expect(neighbours()).toEqual(['C7']);
    await open(db);
    takeOff(db);
    expect(neighbours()).toEqual([]);
    enter(db, { kind: 'part', siteId: 'site-1', is: 'fitted', what: '68 µF 63 V', where: '' });
    expect(neighbours()).toEqual(['C7']);
  });

  it('is handed back once all is done, deferred or accepted, and takes no more work then', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    await open(db);
    takeOff(db);
    const hand = { kind: 'handed-back', outcome: 'improved', cause: 'age' } as const;
    expect(() => enter(db, hand)).toThrow(/still open: C7: off, kept: tray 3/);
    for (const { key, says } of boardStanding(db, 'brd-1').open)
      enter(db, { kind: 'settled', as: 'accepted', item: key, says, reason: 'the owner wants it so' });
    expect(getBoard(db, 'brd-1').waitingFor).toBe('owner');
    enter(db, hand);
    expect(getBoard(db, 'brd-1')).toMatchObject({ waitingFor: 'closed', outcome: 'improved' });
    expect(() => enter(db, { kind: 'tested', how: 'cold', passed: true })).toThrow(Conflict);
    enter(db, { kind: 'reopened', reason: 'came back' });
    expect(getBoard(db, 'brd-1').outcome).toBeNull();
  });

  it('parked it takes no new job, and what is settled must still be open', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    enter(db, { kind: 'parked', awaits: 'answer', what: 'whose clamp it was', due_ms: null });
    expect(getBoard(db, 'brd-1').waitingFor).toBe('answer');
    await expect(open(db)).rejects.toThrow(/parked for whose clamp it was/);
    expect(() =>
      enter(db, { kind: 'settled', as: 'deferred', item: 'part:gone', says: 'x', reason: 'y' }),
    ).toThrow(/not open any more/);
    expect(() => enter(db, { kind: 'part', siteId: 'elsewhere', is: 'fitted', what: '', where: '' })).toThrow(
      /no site of this board/,
    );
  });

  it('an entry sent twice is written once', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const entry = {
      clientId: 'once',
      by: 'MK',
      body: { kind: 'tested', how: 'cold', passed: true },
    } as const;
    enterOnBoard(db, 'brd-1', entry, 1);
    expect(enterOnBoard(db, 'brd-1', entry, 2).entries).toHaveLength(1);
  });

  it('one row that cannot be read does not keep the others from being stated', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    db.$client.exec(
      "INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, created_at_ms) VALUES ('bad', 'B', 'MK', 'x', '[]', '{}', 'you', 1)",
    );
    const told = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    await restateAll(db);
    expect(told).toHaveBeenCalledOnce();
    expect(getBoard(db, 'brd-1').nextAction).toBe('Plan C7');
    told.mockRestore();
  });

  it('rows are stated once for each change of the rules: a start of an old workshop is no reading of all of it', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    await restateAll(db);
    db.$client.exec("UPDATE boards SET next_action = 'as by hand'");
    await restateAll(db);
    expect(getBoard(db, 'brd-1').nextAction).toBe('as by hand');
    db.$client.pragma('user_version = 0');
    await restateAll(db);
    expect(getBoard(db, 'brd-1').nextAction).toBe('Plan C7');
  });
});

describe('findings of a look', () => {
  const finding = (changes: object) =>
    newFinding.parse({ padId: 'site-1-1', state: 'flaked', foundAs: 'done-here', by: 'MK', ...changes });

  it('say what the board waits for, and one that is taken back no longer does', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const [found] = recordFindings(db, [finding({})], 1);
    expect(getBoard(db, 'brd-1').nextAction).toBe('Put right C7 pin 1: solder mask damaged');
    recordFindings(db, [finding({ takesBackId: found!.id, note: 'a key by mistake' })], 2);
    expect(getBoard(db, 'brd-1').nextAction).toBe('Plan C7');
    expect(() => recordFindings(db, [finding({ takesBackId: found!.id, note: 'again' })], 3)).toThrow(
      /no finding of this pad that still holds/,
    );
    expect(newFinding.safeParse({ ...finding({}), takesBackId: 'f' }).error?.issues[0]?.message).toMatch(
      /say why/,
    );
  });
});

describe('what a heating cost', () => {
  const heat: WritableEvent[] = [
    { kind: 'heat-on', stepId: 'heat-1', pad: '1' },
    { kind: 'melted', stepId: 'heat-1', pad: '1', elapsed_s: 0.9 },
    { kind: 'heat-off', stepId: 'heat-1', pad: '1', elapsed_s: 2 },
  ];
  const upToHeat = (db: Db): void => {
    for (const step of getJob(db, 'job-1').job.plan.steps) {
      if (step.kind === 'heat') return;
      write(db, stepDone(step));
    }
  };
  const costs = (db: Db) => getJob(db, 'job-1').events.filter((e) => e.kind === 'exposure');

  it('is made up for later where it was not reckoned, once, and the fact stands meanwhile', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    await open(db);
    upToHeat(db);
    const told = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    let broken = true;
    // The planner as it is to those who ask it, here and at once.
    const planner: Pick<Planner, 'ask'> = {
      ask: (task, listener) => {
        if (task.kind !== 'cost') throw new Error(task.kind);
        if (broken) listener({ type: 'failed', jobId: 1, message: 'the model broke' });
        else listener({ type: 'done', jobId: 1, answer: inOneGo(heatCost(task.given)) });
        return () => undefined;
      },
    };
    const owed = new Costs(db, planner, () => 4_000_000);
    const settled = () => new Promise((done) => setTimeout(done));
    for (const event of heat) append(db, event);
    owed.owe('job-1');
    await settled();
    expect(getJob(db, 'job-1').events.at(-1)).toMatchObject({ kind: 'heat-off', elapsed_s: 2 });
    expect(costs(db)).toHaveLength(0);
    expect(told).toHaveBeenCalled();
    told.mockRestore();
    // The server is started anew.
    broken = false;
    await Promise.all([owed.makeUp(), owed.makeUp()]);
    await settled();
    expect(costs(db)).toHaveLength(1);
    append(db, { kind: 'note', text: 'once is enough' });
    owed.owe('job-1');
    await settled();
    expect(costs(db)).toHaveLength(1);
  });

  it('is reckoned anew from what a thermocouple read on the land, once, as a later entry', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    await open(db);
    upToHeat(db);
    for (const event of heat) write(db, event);
    const planner: Pick<Planner, 'ask'> = {
      ask: (task, listener) => {
        if (task.kind !== 'cost') throw new Error(task.kind);
        listener({ type: 'done', jobId: 1, answer: inOneGo(heatCost(task.given)) });
        return () => undefined;
      },
    };
    const of = new Costs(db, planner, () => 4_000_000);
    const settled = () => new Promise((done) => setTimeout(done));
    const onSeq = getJob(db, 'job-1').events.find((e) => e.kind === 'heat-on')!.seq;
    of.measured('job-1', onSeq);
    await settled();
    expect(costs(db)).toHaveLength(1);

    const [model] = costs(db);
    if (model?.kind !== 'exposure') throw new Error('no cost');
    const elapsed_s = Array.from({ length: 61 }, (_, i) => i / 10);
    keepLog(db, {
      id: 'log-1',
      jobId: 'job-1',
      ofSeq: onSeq,
      origin: 'instruments',
      simulated: true,
      landChannel: 'tc1',
      by: 'MK',
      at_ms: 4_000_000,
      profile: {
        format: 'thermal-profile',
        version: 1,
        title: '',
        began_ms: null,
        channels: [{ id: 'tc1', name: 'Channel 1', unit: 'degC' }],
        elapsed_s,
        // Two seconds before the heat, then a rise that ends somewhat under the model's.
        values: {
          tc1: elapsed_s.map((t) => 23 + (model.peak_C - 40) * (1 - Math.exp(-Math.max(0, t - 2) / 0.4))),
        },
        marks: [{ at_s: 2, what: 'heat on' }],
      },
    });
    // The server was stopped between the log and its cost: made up for as it starts, once.
    await of.makeUp();
    await of.makeUp();
    of.measured('job-1', onSeq);
    await settled();
    expect(costs(db)).toHaveLength(2);
    const measured = costs(db)[1]!;
    expect(measured).toMatchObject({ measured: 'simulated', ofSeq: onSeq });
    expect(measured.peak_C).toBeLessThan(model.peak_C - 10);
    expect(planningFor(db, 'site-1', { goal: 'fit' }).input.history.padDose).toMatchObject({
      '1': measured.padDose,
    });
  });

  it('is reckoned anew for an end that was corrected, and less for a shorter heat', async () => {
    const db = freshDatabase();
    withCapacitor(db);
    await open(db);
    upToHeat(db);
    for (const event of heat) write(db, event);
    const off = getJob(db, 'job-1').events.findLast((e) => e.kind === 'heat-off')!;
    write(db, { kind: 'correction', ofSeq: off.seq, elapsed_s: 1.2, reason: 'pressed late' });
    const [first, second] = costs(db);
    if (first?.kind !== 'exposure' || second?.kind !== 'exposure') throw new Error('no cost');
    expect(second.duration_s).toBe(1.2);
    expect(second.padDose).toBeLessThan(first.padDose);
    expect(planningFor(db, 'site-1', { goal: 'fit' }).input.history.padDose).toMatchObject({
      '1': second.padDose,
    });
  });
});
