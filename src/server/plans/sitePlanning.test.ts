import { describe, expect, it } from 'vitest';
import { freshDatabase, withBoard, withCapacitor } from '../../../tests/support/database';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { wantedOf } from '~/schema/exchange/plan/planWishes';
import { newSite } from '~/schema/records/site/site';
import { SIMULATE_EXAMPLE } from '../../../tests/support/requests';
import type { Db } from '~/server/store/db';
import { NotFound } from '~/server/store/errors';
import { planningFor } from './sitePlanning';
import { addSite } from '~/server/store/repositories/sites';
import { addSupply } from '~/server/store/repositories/supplies';
import { addTool, changeTool, listTools } from '~/server/store/repositories/tools';
import { newSupply } from '~/schema/records/rig/supply';
import { planSheet } from './planSheet';

const beside = (db: Db, ref: string, x_mm: number, id: string): void => {
  addSite(
    db,
    'brd-1',
    newSite.parse({
      ref,
      side: 'top',
      x_mm,
      y_mm: 50,
      alloy: 'sn60pb40',
      package: SIMULATE_EXAMPLE.site.package,
      pads: [
        { name: '1', connections: [] },
        { name: '2', connections: [] },
      ],
    }),
    id,
  );
};

describe('what a plan is asked from', () => {
  it('is whole without a question: board, site, bench and stock are known', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const { input } = planningFor(db, 'site-1', { goal: 'replace' });
    expect(input.site.ref).toBe('C7');
    expect(input.bench.length).toBeGreaterThan(3);
    expect(input.supplies.length).toBeGreaterThan(3);
    const request = planRequestOf(input);
    expect(request.site.connections['2']![0]!.kind).toBe('thermal-relief');
    expect(request.irons.length).toBeGreaterThan(0);
  });

  it('can be written down and read back as it was: it is plain data', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const { input } = planningFor(db, 'site-1', { goal: 'replace' });
    expect(JSON.parse(JSON.stringify(input))).toEqual(JSON.parse(JSON.stringify(structuredClone(input))));
    const request = planRequestOf(input);
    expect(structuredClone(request)).toEqual(request);
  });

  it('has its neighbours, the nearest first, and not the site itself', () => {
    const db = freshDatabase();
    withCapacitor(db);
    beside(db, 'C9', 140, 'far');
    beside(db, 'C8', 92, 'near');
    const { input } = planningFor(db, 'site-1', { goal: 'reflow' });
    expect(input.neighbours.map((n) => n.ref)).toEqual(['C8', 'C9']);
  });

  it('has one fingerprint whatever is wanted, and another once the record has moved on', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const key = planningFor(db, 'site-1', { goal: 'reflow' }).inputsKey;
    expect(planningFor(db, 'site-1', { goal: 'replace', worth: 'scarce' }).inputsKey).toBe(key);
    beside(db, 'C8', 92, 'near');
    expect(planningFor(db, 'site-1', { goal: 'reflow' }).inputsKey).not.toBe(key);
  });

  it('takes any stock and any bench that the Rig takes (findings A3)', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const [tool] = listTools(db);
    for (let i = 0; i < 45; i++) addTool(db, { ...tool!, name: `Iron ${i}` }, `iron-${i}`);
    const wire = {
      name: 'Reels',
      spec: { kind: 'wire', alloy: 'sn60pb40', diameter_mm: 0.5 },
      by: 'MK',
    } as const;
    for (let i = 0; i < 105; i++) addSupply(db, newSupply.parse({ ...wire, left: 1.2e6 }), 1, `reel-${i}`);
    const { input } = planningFor(db, 'site-1', { goal: 'replace' });
    expect(input.bench.length).toBeGreaterThan(45);
    expect(input.supplies.length).toBeGreaterThan(105);
  });

  it('says in words that a bench heats nothing (findings A3)', () => {
    const db = freshDatabase();
    withCapacitor(db);
    for (const { id, ...tool } of listTools(db))
      if (tool.spec.kind !== 'preheater') changeTool(db, id, { ...tool, retired: true });
    expect(() => planningFor(db, 'site-1', { goal: 'replace' })).toThrow(
      /no tool on this bench heats a joint/,
    );
  });

  it('of a site that is not there is not found', () => {
    const db = freshDatabase();
    withBoard(db);
    expect(() => planningFor(db, 'nowhere', { goal: 'fit' })).toThrow(NotFound);
  });
});

describe('a plan’s sheet', () => {
  it('asks for what the server would: the page may begin it before its island is up', () => {
    const db = freshDatabase();
    withCapacitor(db);
    beside(db, 'C8', 92, 'near');
    const sheet = planSheet(db, 'site-1', 'remove-keep-part', ['C8', 'C99']);
    expect(sheet.mates).toEqual(['C8']);
    const wishes = { goal: sheet.goal, worth: 'cheap', mates: sheet.mates, moisture: null } as const;
    const asked = wantedOf(sheet.input, wishes);
    expect(asked).toEqual(planningFor(db, 'site-1', wishes).input);
    expect(asked.neighbours[0]!.comesToo).toBe(true);
  });
});
