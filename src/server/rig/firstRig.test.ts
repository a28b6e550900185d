import { emptyRecap } from '../../../tests/support/recaps';
import { describe, expect, it } from 'vitest';
import { stepDone } from '../../../tests/support/entries';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { acceptPlan } from '~/schema/records/jobs/job';
import { newSite } from '~/schema/records/site/site';
import { newTool } from '~/schema/records/rig/tool';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { acceptJob, solvedHere } from '~/server/jobs/acceptance';
import type { Db } from '~/server/store/db';
import { Conflict, NotFound } from '~/server/store/errors';
import { exposureFor } from '~/server/jobs/exposure';
import { planningFor } from '~/server/plans/sitePlanning';
import { appendCosted } from '~/server/jobs/costs';
import { getJob } from '~/server/store/repositories/jobs';
import { recapAsks, recapSheet } from '~/server/plans/recapSheet';
import { keepRecap, recapsOf } from '~/server/store/repositories/recaps';
import { keepHabit, listHabits } from '~/server/store/repositories/stepHabits';
import { addSite } from '~/server/store/repositories/sites';
import {
  addSupply,
  listSupplies,
  moveSupply,
  recentMoves,
  retireSupply,
} from '~/server/store/repositories/supplies';
import { addTool, allTools, changeTool, listTools } from '~/server/store/repositories/tools';
import { trackRecord } from '~/server/store/repositories/trackRecord';

const IRON = newTool.parse({
  name: 'Spare iron',
  spec: {
    kind: 'iron',
    power_W: 60,
    setpointRange_C: [200, 450],
    tips: [{ shape: 'chisel', width_mm: 2, construction: 'cartridge' }],
  },
});

describe('tools of the rig', () => {
  it('two screens do not silently overwrite each other', () => {
    const db = freshDatabase();
    const tool = addTool(db, IRON, 'spare');
    const change = { ...IRON, retired: false, revision: 1 };
    expect(changeTool(db, tool.id, { ...change, offset_K: -6 }).revision).toBe(2);
    expect(() => changeTool(db, tool.id, { ...change, offset_K: 9 })).toThrow(Conflict);
    expect(() => changeTool(db, 'nowhere', change)).toThrow(NotFound);
    expect(allTools(db).find((t) => t.id === 'spare')!.offset_K).toBe(-6);
  });

  it('one out of use is offered to no plan, and stays in the record', () => {
    const db = freshDatabase();
    const tool = addTool(db, IRON, 'spare');
    changeTool(db, tool.id, { ...IRON, retired: true, revision: 1 });
    expect(listTools(db).some((t) => t.id === 'spare')).toBe(false);
    expect(allTools(db).some((t) => t.id === 'spare')).toBe(true);
  });

  it('calibration, wear and a closing nozzle reach the plan', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const gun = listTools(db).find((t) => t.spec.kind === 'gun')!;
    const before = planningFor(db, 'site-1', { goal: 'reflow' }).inputsKey;
    changeTool(db, gun.id, { ...gun, offset_K: -12, hours: 60, clogged: 0.3, checkedAt_ms: 1 });
    const { input, inputsKey } = planningFor(db, 'site-1', { goal: 'reflow' });
    const given = input.bench.find((t) => t.id === gun.id)!;
    expect(given).toMatchObject({ offset_K: -12, clogged: 0.3 });
    expect(given.wear).toBeCloseTo(1.5, 9);
    expect(inputsKey).not.toBe(before);
  });
});

describe('stock', () => {
  const wire = {
    name: 'Wire',
    spec: { kind: 'wire', alloy: 'sn60pb40', diameter_mm: 0.8 },
    low: 100,
  } as const;

  it('is what its moves leave: counted, bought, thrown, never under nothing', () => {
    const db = freshDatabase();
    addSupply(db, { ...wire, left: 500, by: 'MK' }, 1, 'w');
    const move = (reason: 'counted' | 'bought' | 'thrown', amount: number) =>
      moveSupply(db, { supplyId: 'w', reason, amount, by: 'MK' }, 2).left;
    expect(move('bought', 250)).toBe(750);
    expect(move('counted', 700)).toBe(700);
    expect(move('thrown', 9000)).toBe(0);
    expect(listSupplies(db).find((s) => s.id === 'w')!.left).toBe(0);
    expect(recentMoves(db, 3)).toHaveLength(3);
  });

  it('moves cannot be changed or deleted', () => {
    const db = freshDatabase();
    addSupply(db, { ...wire, left: 500, by: 'MK' }, 1, 'w');
    expect(() => db.$client.exec(`update supply_moves set change = 0`)).toThrow(/append-only/);
    expect(() => db.$client.exec(`delete from supply_moves`)).toThrow(/append-only/);
  });

  it('goes out of use at the revision it was read at', () => {
    const db = freshDatabase();
    addSupply(db, { ...wire, left: 1, by: 'MK' }, 1, 'w');
    expect(() => retireSupply(db, 'w', 7)).toThrow(Conflict);
    retireSupply(db, 'w', 1);
    expect(listSupplies(db).some((s) => s.id === 'w')).toBe(false);
    expect(() => retireSupply(db, 'none', 1)).toThrow(NotFound);
  });
});

describe('a workshop’s steps', () => {
  it('are kept by method, against the revision they were read at', () => {
    const db = freshDatabase();
    const habit = { method: 'gun', edits: [{ op: 'hide', id: 'flux' }], by: 'MK' } as never as {
      method: string;
      edits: [];
      by: string;
    };
    expect(keepHabit(db, { ...habit, revision: 0 }, 1).revision).toBe(1);
    expect(() => keepHabit(db, { ...habit, revision: 0 }, 2)).toThrow(Conflict);
    expect(keepHabit(db, { ...habit, revision: 1 }, 3).revision).toBe(2);
    expect(listHabits(db)).toHaveLength(1);
  });
});

/** A small part on lands, and a chip so close that air warms it as well. */
function withPack(db: Db): void {
  withCapacitor(db);
  const pack = newSite.parse({
    ref: 'U9',
    side: 'top',
    x_mm: 40,
    y_mm: 40,
    alloy: 'sn60pb40',
    package: { family: 'soic', pins: 8 },
    pads: Array.from({ length: 8 }, (_, i) => ({
      name: String(i + 1),
      connections: [{ kind: 'track', width_mm: 0.3, layers: [1] }],
    })),
  });
  addSite(db, 'brd-1', pack, 'pack');
  const chip = newSite.parse({
    ...pack,
    ref: 'C9',
    x_mm: 52,
    package: { family: 'chip', code: '0603' },
    pads: ['1', '2'].map((name) => ({ name, connections: [{ kind: 'isolated' }] })),
  });
  addSite(db, 'brd-1', chip, 'chip');
}

const AIR = {
  kind: 'air',
  toolId: 'hot-air-station',
  nozzle: { diameter_mm: 12 },
  setpoint_C: 380,
  flow_L_min: 40,
  standoff_mm: 8,
  preheat: null,
  approach_s: 0,
  shielded: false,
};

describe('a hot-air job', () => {
  it('is accepted, run and recorded: every pad of the part, its neighbours’ share, and what it used', async () => {
    const db = freshDatabase();
    withPack(db);
    const wanted = { goal: 'remove-sacrifice-part', by: 'MK' } as const;
    const { inputsKey } = planningFor(db, 'pack', wanted);
    const { job } = await acceptJob(
      db,
      acceptPlan.parse({
        siteId: 'pack',
        ...wanted,
        inputsKey,
        choices: [{ phase: 'remove', method: 'hot-air', setting: AIR }],
      }),
      solvedHere,
      () => 1000,
      'air-job',
    );
    expect(job.plan.phases[0]!.chosen.nozzle).toEqual({ diameter_mm: 12 });
    const heat = job.plan.steps.find((s) => s.kind === 'heat')!;
    expect(heat).toMatchObject({ pad: 'all', phase: 'remove' });
    expect(job.plan.phases[0]!.coolDown).not.toBeNull();

    let press = 0;
    const write = (event: WritableEvent): void => {
      press += 1;
      const { lastSeq } = getJob(db, 'air-job').job;
      appendCosted(
        db,
        'air-job',
        { clientId: `air-${press}`, afterSeq: lastSeq, by: 'MK', event },
        2000 + press,
        exposureFor(db),
      );
    };
    for (const step of job.plan.steps) {
      if (step.id === heat.id) break;
      write(stepDone(step));
    }
    write({ kind: 'heat-on', stepId: heat.id, pad: 'all' });
    write({ kind: 'melted', stepId: heat.id, pad: 'all', elapsed_s: 9 });
    write({ kind: 'heat-off', stepId: heat.id, pad: 'all', elapsed_s: 13 });
    const exposures = getJob(db, 'air-job').events.filter((e) => e.kind === 'exposure');
    expect(exposures.map((e) => e.pad).sort()).toEqual(['1', '2', '3', '4', '5', '6', '7', '8']);
    expect(exposures.every((e) => e.padDose > 0)).toBe(true);
    expect(exposures.flatMap((e) => e.others ?? []).some((o) => o.padId.startsWith('chip'))).toBe(true);
    // One entry more does not derive the heat again.
    write({ kind: 'note', text: 'off clean' });
    expect(getJob(db, 'air-job').events.filter((e) => e.kind === 'exposure')).toHaveLength(8);

    const before = listSupplies(db).find((s) => s.id === 'flux-gel')!.left;
    write({ kind: 'closed', outcome: 'fixed', cause: '', acceptedWithout: 'looked at under the lens' });
    const flux = job.plan.consumption.find((d) => d.kind === 'flux')!;
    expect(before - listSupplies(db).find((s) => s.id === 'flux-gel')!.left).toBeCloseTo(flux.amount, 9);
    expect(trackRecord(db, 'soic', 'MK')).toEqual([{ method: 'hot-air', jobs: 1, harmed: 0 }]);
    expect(planningFor(db, 'chip', { goal: 'reflow' }).input.history.padDose).not.toEqual({});
  });
});

describe('a whole-board job', () => {
  it('is kept with its order; a site of another board is refused', () => {
    const db = freshDatabase();
    withPack(db);
    const answer = emptyRecap();
    const given = { name: 'All', by: 'MK', order: 'area' as const, siteIds: ['site-1'], answer };
    keepRecap(db, 'brd-1', given, 5);
    expect(recapsOf(db, 'brd-1').map((r) => r.order)).toEqual(['area']);
    expect(() => keepRecap(db, 'brd-1', { ...given, siteIds: ['stranger'] }, 6)).toThrow(
      /no site of this board/,
    );
    const sheet = recapSheet(db, 'brd-1');
    expect(sheet.sites.map((s) => s.ref).sort()).toEqual(['C7', 'C9', 'U9']);
    const asks = recapAsks(db, 'brd-1', ['site-1']);
    expect(asks.map(({ input }) => input.site.ref)).toEqual(['C7']);
    expect(asks[0]!.input.neighbours).toEqual([]);
  });
});
