import { describe, expect, it } from 'vitest';
import type { RecapAnswer } from '~/schema/exchange/recap/recapAnswer';
import type { KeptRound, RecapCandidate, RecapSheet } from '~/schema/sheets/recapSheet';
import type { RoundLine } from '~/schema/sheets/roundSheet';
import { isAgeing, reduce, shownKept, start, toPlanAgain } from './state';

const site = (id: string, family: string, ref = id): RecapCandidate => ({
  id,
  ref,
  family,
  value: '',
});

const sheet = (kept: RecapSheet['kept'] = null): RecapSheet =>
  ({
    sites: [site('C1', 'radial'), site('C2', 'canElectrolytic'), site('C3', 'chip'), site('L1', 'radial')],
    groups: [],
    kept,
  }) as unknown as RecapSheet;

const line = (siteId: string, status: RoundLine['status']): Partial<RoundLine> => ({ siteId, status });

/** What was kept: its sites, and how far each is. */
const keptOf = (siteIds: string[], option: object | null, statuses: RoundLine['status'][] = []): KeptRound =>
  ({
    recap: { siteIds, order: 'area', answer: { sites: [{ on: { option } }] } },
    round: {
      begun: statuses.length > 0,
      next: statuses.some((s) => s !== 'done') ? {} : null,
      lines: siteIds.map((id, i) => line(id, statuses[i] ?? 'to-do')),
    },
  }) as unknown as KeptRound;

describe('a whole-board job', () => {
  it('begins with the capacitors that age, not with all that look like them', () => {
    expect(start(sheet())).toMatchObject({ chosen: ['C1', 'C2'], asked: ['C1', 'C2'] });
    expect(isAgeing(site('L1', 'radial'))).toBe(false);
    expect(isAgeing(site('C3', 'chip'))).toBe(false);
  });

  it('shows what was kept as it was planned, without computing it anew', () => {
    const kept = keptOf(['C2', 'C1'], {});
    const begun = start(sheet(kept));
    expect(begun).toMatchObject({ chosen: ['C2', 'C1'], asked: null, order: 'area' });
    expect(begun.run.status).toBe('done');
    expect(shownKept(begun, kept)).toBe(kept);
    expect(shownKept(reduce(begun, { type: 'order', order: 'value' }), kept)).toBeNull();
    expect(shownKept(reduce(begun, { type: 'choose', ids: ['C1'] }), kept)).toBeNull();
  });

  it('plans anew what an early version kept in words alone, or whose sites have gone', () => {
    expect(start(sheet(keptOf(['C2'], null)))).toMatchObject({ asked: ['C2'], run: { status: 'idle' } });
    expect(start(sheet(keptOf(['C9'], {}))).chosen).toEqual(['C1', 'C2']);
  });

  it('plans again only what is left of one that was begun', () => {
    const kept = keptOf(['C2', 'C1'], {}, ['done', 'to-do']);
    expect(toPlanAgain(start(sheet(kept)), kept)).toEqual(['C1']);
    expect(toPlanAgain(start(sheet()), null)).toEqual(['C1', 'C2']);
  });

  it('forgets what was computed of another choice, and keeps it through another order', () => {
    const answer = {} as RecapAnswer;
    const done = reduce(reduce(start(sheet()), { type: 'started' }), { type: 'done', answer });
    expect(done.run).toEqual({ status: 'done', answer });
    expect(reduce(done, { type: 'order', order: 'area' }).run.status).toBe('done');
    expect(reduce(done, { type: 'choose', ids: ['C1'] }).run.status).toBe('idle');
  });

  it('counts up from nothing to all, can be stopped, and says what failed', () => {
    const begun = reduce(start(sheet()), { type: 'started' });
    expect(begun.run).toEqual({ status: 'running', done: 0, of: 2 });
    expect(reduce(begun, { type: 'progress', done: 1, of: 2 }).run).toMatchObject({ done: 1 });
    expect(reduce(begun, { type: 'stopped' }).run.status).toBe('stopped');
    expect(reduce(begun, { type: 'failed', message: 'no iron' }).run).toEqual({
      status: 'failed',
      message: 'no iron',
    });
  });

  it('busy or refused, says so', () => {
    const busy = reduce(start(sheet()), { type: 'busy', what: 'Keeping…' });
    expect(busy.busy).toBe('Keeping…');
    expect(reduce(busy, { type: 'refused', error: 'behind' })).toMatchObject({ error: 'behind', busy: null });
  });
});
