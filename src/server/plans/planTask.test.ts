import { describe, expect, it } from 'vitest';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { planAskOf } from '~/islands/plan/ask';
import { planAsk } from '~/schema/exchange/plan/planAsk';
import { newFinding } from '~/schema/records/site/finding';
import { InputError, parseInput } from '~/schema/values/faults';
import { Conflict, NotFound } from '~/server/store/errors';
import { addFinding } from '~/server/store/repositories/findings';
import { planningFor } from './sitePlanning';
import { planSheet } from './planSheet';
import { planTaskOf } from './planTask';

const WISHES = { goal: 'remove-keep-part' as const };

describe('what a screen asks of the planner', () => {
  it('is a few hundred bytes: ids, wishes and choices, not the board', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const ask = planAskOf(planSheet(db, 'site-1', 'reflow'), WISHES, 'MK');
    expect(JSON.stringify(ask).length).toBeLessThan(400);
    expect(Object.keys(ask)).not.toContain('input');
    expect(planAsk.parse(ask)).toEqual(ask);
  });

  it('becomes what the record knows with the wishes put in', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const sheet = planSheet(db, 'site-1', 'remove-keep-part');
    const task = planTaskOf(db, planAsk.parse(planAskOf(sheet, { ...WISHES, worth: 'scarce' }, 'MK')));
    if (task.kind !== 'plan') throw new Error(task.kind);
    expect(task.input).toEqual(
      planningFor(db, 'site-1', { ...WISHES, worth: 'scarce', by: 'MK', mates: [], moisture: null }).input,
    );
    expect(task.input.worth).toBe('scarce');
    expect(task.input.site.ref).toBe('C7');
  });

  it('is the same task however often it is asked, so that it is computed once', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const ask = planAsk.parse(planAskOf(planSheet(db, 'site-1', 'reflow'), WISHES, ''));
    expect(JSON.stringify(planTaskOf(db, ask))).toBe(JSON.stringify(planTaskOf(db, ask)));
  });

  it('is refused when the record has moved on under the screen', () => {
    const db = freshDatabase();
    const { pads } = withCapacitor(db);
    const ask = planAsk.parse(planAskOf(planSheet(db, 'site-1', 'reflow'), WISHES, 'MK'));
    addFinding(
      db,
      newFinding.parse({ padId: pads[0]!.id, state: 'lifted', foundAs: 'as-received', by: 'MK' }),
      1000,
    );
    expect(() => planTaskOf(db, ask)).toThrow(Conflict);
    const again = planAsk.parse(planAskOf(planSheet(db, 'site-1', 'reflow'), WISHES, 'MK'));
    const task = planTaskOf(db, again);
    expect(task.kind === 'plan' && task.input.site.padStates).toEqual({ '1': 'lifted' });
  });

  it('names a site that is not there', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const ask = planAskOf(planSheet(db, 'site-1', 'reflow'), WISHES, 'MK');
    expect(() => planTaskOf(db, planAsk.parse({ ...ask, siteId: 'nowhere' }))).toThrow(NotFound);
  });

  it('of a whole board names its sites alone, and is refused without any', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const ask = { kind: 'recap', boardId: 'brd-1', siteIds: ['site-1'] } as const;
    const task = planTaskOf(db, planAsk.parse(ask));
    expect(task.kind === 'recap' && task.asks.map((a) => a.input.site.ref)).toEqual(['C7']);
    expect(() => parseInput(planAsk, { ...ask, siteIds: [] })).toThrow(InputError);
  });

  it('is not taken with a board of its own: what it does not know is refused by name', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const ask = planAskOf(planSheet(db, 'site-1', 'reflow'), WISHES, 'MK');
    expect(() => parseInput(planAsk, { ...ask, input: {} })).toThrow(/input/);
  });
});

describe('what a plan’s page is sent', () => {
  it('leaves imported copper and edge with the server', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const { input } = planSheet(db, 'site-1', 'reflow');
    expect(input.board).not.toHaveProperty('copperMaps');
    expect(input.board).not.toHaveProperty('outline_mm');
    expect(input.board.length_mm).toBe(160);
  });
});
