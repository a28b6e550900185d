import { describe, expect, it } from 'vitest';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import type { FaceFindingRecord } from '~/schema/records/board/faceFinding';
import { BLANK_BOARD } from '../../../tests/support/sheets';
import { initialState, LEAST_POINTS, reduce, type BoardAction, type BoardState } from './state';

const START = initialState(BLANK_BOARD);
const at = (x_mm: number, y_mm: number) => ({ x_mm, y_mm });
const play = (actions: readonly BoardAction[], from: BoardState = START): BoardState =>
  actions.reduce(reduce, from);

describe('drawing on the face', () => {
  const area: BoardAction = { type: 'draw', kind: 'area', cursor: at(10, 10) };
  const square: BoardAction[] = [
    area,
    { type: 'point', at: at(0, 0) },
    { type: 'point', at: at(10, 0) },
    { type: 'point', at: at(10, 10) },
  ];

  it('gathers points, and the cross goes where the last one was set', () => {
    expect(play(square).drawing).toMatchObject({ ended: false, cursor: at(10, 10) });
    expect(play(square).drawing!.points).toHaveLength(3);
  });

  it('ends only with enough points for its kind', () => {
    expect(play([...square.slice(0, 3), { type: 'draw-end' }]).drawing!.ended).toBe(false);
    expect(play([...square, { type: 'draw-end' }]).drawing!.ended).toBe(true);
    expect(LEAST_POINTS).toEqual({ track: 2, via: 1, area: 3 });
  });

  it('a via ends with its one point', () => {
    const via = play([
      { type: 'draw', kind: 'via', cursor: at(1, 1) },
      { type: 'point', at: at(4, 5) },
    ]);
    expect(via.drawing).toMatchObject({ ended: true, points: [at(4, 5)] });
    expect(play([{ type: 'point', at: at(9, 9) }], via).drawing!.points).toEqual([at(4, 5)]);
  });

  it('takes the second press of a double click for the first again', () => {
    const twice = play([...square, { type: 'point', at: at(10.1, 10.1) }]);
    expect(twice.drawing!.points).toHaveLength(3);
  });

  it('takes a point back, goes on after an end that was taken back, and is left whole or not at all', () => {
    const ended = play([...square, { type: 'draw-end' }]);
    expect(play([{ type: 'point-back' }], ended).drawing).toMatchObject({ ended: false });
    expect(play([{ type: 'draw-leave' }], ended).drawing).toBeNull();
    expect(play([{ type: 'point', at: at(1, 1) }]).drawing).toBeNull();
  });

  it('ends with the board turned over or another place looked at', () => {
    expect(play([...square, { type: 'flip' }]).drawing).toBeNull();
    expect(play([...square, { type: 'place', id: 'ffd' }])).toMatchObject({ drawing: null, placeId: 'ffd' });
  });

  it('what was recorded is what is looked at, and its note is used up', () => {
    const finding = { id: 'f1' } as FaceFindingRecord;
    const state = play([{ type: 'note', note: 'green' }, ...square, { type: 'place-found', finding }]);
    expect(state).toMatchObject({ placeId: 'f1', note: '', drawing: null, faceFindings: [finding] });
  });
});

describe('a board that changes under a screen', () => {
  const site = (id: string, revision: number) =>
    ({ id, ref: id, side: 'top', revision, pads: [] }) as unknown as SiteSheet;
  const two = { ...START, sites: [site('a', 1), site('b', 1)], siteId: 'a' };

  it('takes over a site that was changed, and no other', () => {
    const changed = reduce({ ...two, error: new Error('x') }, { type: 'site-changed', site: site('b', 2) });
    expect(changed.sites.map((s) => s.revision)).toEqual([1, 2]);
    expect(changed.error).toBeNull();
  });

  it('choosing another site forgets what waited on this one, and any place', () => {
    const waiting = reduce({ ...two, placeId: 'p' }, { type: 'needs-other', padId: 'x', state: 'bridged' });
    const chosen = reduce(waiting, { type: 'site', id: 'b', side: 'bottom' });
    expect(chosen).toMatchObject({ pending: null, placeId: null, siteId: 'b', side: 'bottom', pad: null });
  });

  it('a bridge that waits for its other pad is forgotten when the letters mean copper', () => {
    const waiting = reduce(two, { type: 'needs-other', padId: 'x', state: 'bridged' });
    expect(reduce(waiting, { type: 'mode', mode: 'copper', marking: true })).toMatchObject({
      pending: null,
      mode: 'copper',
      told: 'Bridged was not recorded: its other pad was not chosen.',
    });
  });

  it('a photo of an identifier it knows takes the old one’s place', () => {
    const photo = (revision: number) => ({ id: 'p', revision }) as never;
    const state = play([
      { type: 'photo', photo: photo(1) },
      { type: 'photo', photo: photo(2) },
    ]);
    expect(state.photos).toEqual([photo(2)]);
  });
});
