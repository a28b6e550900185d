import { describe, expect, it } from 'vitest';
import type { RecapAnswer } from '~/schema/exchange/recap/recapAnswer';
import type { RecapCandidate, RecapSheet } from '~/schema/sheets/recapSheet';
import { isAgeing, reduce, start } from './state';

const site = (id: string, family: string, ref = id): RecapCandidate => ({
  id,
  ref,
  family,
  value: '',
  done: false,
});

const sheet = (kept: RecapSheet['kept'] = []): RecapSheet =>
  ({
    sites: [site('C1', 'radial'), site('C2', 'canElectrolytic'), site('C3', 'chip'), site('L1', 'radial')],
    groups: [],
    kept,
    base: null,
  }) as unknown as RecapSheet;

describe('a whole-board job', () => {
  it('begins with the capacitors that age, not with all that look like them', () => {
    expect(start(sheet()).chosen).toEqual(['C1', 'C2']);
    expect(isAgeing(site('L1', 'radial'))).toBe(false);
    expect(isAgeing(site('C3', 'chip'))).toBe(false);
  });

  it('begins where the last one was kept, without sites that have gone since', () => {
    const kept = [{ siteIds: ['C2', 'C9'], order: 'area' }] as unknown as RecapSheet['kept'];
    expect(start(sheet(kept))).toMatchObject({ chosen: ['C2'], order: 'area' });
    const gone = [{ siteIds: ['C9'], order: 'area' }] as unknown as RecapSheet['kept'];
    expect(start(sheet(gone)).chosen).toEqual(['C1', 'C2']);
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

  it('kept or refused, says so', () => {
    const refused = reduce(start(sheet()), { type: 'refused', error: 'behind' });
    expect(refused.error).toBe('behind');
    expect(reduce(refused, { type: 'kept', told: 'Kept.' })).toMatchObject({ error: null, told: 'Kept.' });
  });
});
