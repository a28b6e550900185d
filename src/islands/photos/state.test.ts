import { describe, expect, it } from 'vitest';
import { photoRecord } from '~/schema/records/board/photo';
import { calibrationOf, reduce, type PhotosState } from './state';

const BLANK = { px: '', py: '', x_mm: '', y_mm: '' };
const START: PhotosState = {
  photos: [],
  photoId: null,
  ties: [BLANK, BLANK],
  tie: 0,
  sending: 0,
  error: null,
};
const tie = (px: string, py: string, x_mm: string, y_mm: string) => ({ px, py, x_mm, y_mm });
const photo = (calibration: unknown) =>
  photoRecord.parse({
    takenAway: null,
    id: 'p',
    boardId: 'b',
    side: 'top',
    by: 'MK',
    width_px: 100,
    height_px: 80,
    calibration,
    at_ms: 1,
    revision: 1,
  });

describe('two points of a photo', () => {
  it('are set by clicks in turn, and by their figures', () => {
    let state = reduce(START, { type: 'point', px: 10.4, py: 20.6 });
    expect(state.ties[0]).toMatchObject({ px: '10', py: '21' });
    state = reduce(state, { type: 'point', px: 90, py: 70 });
    expect(state.ties[1]).toMatchObject({ px: '90', py: '70' });
    expect(state.tie).toBe(0);
    state = reduce(state, { type: 'enter', at: 1, of: { x_mm: '12,5' } });
    expect(state.ties[1]).toMatchObject({ px: '90', x_mm: '12,5' });
  });

  it('make a calibration once both are whole; decimal commas are taken', () => {
    expect(calibrationOf([BLANK, BLANK])).toMatchObject({
      fault: expect.stringContaining('Point 1') as string,
    });
    expect(calibrationOf([tie('0', '0', '0', '80'), tie('100', '80', '', '0')])).toMatchObject({
      fault: expect.stringContaining('Point 2') as string,
    });
    expect(calibrationOf([tie('0', '0', '0', '80'), tie('100', '80', '12,5', '0')])).toEqual({
      of: { a: { px: 0, py: 0, x_mm: 0, y_mm: 80 }, b: { px: 100, py: 80, x_mm: 12.5, y_mm: 0 } },
    });
  });

  it('are refused where they lie too close to tell a scale', () => {
    expect(calibrationOf([tie('0', '0', '0', '0'), tie('5', '5', '50', '50')])).toMatchObject({
      fault: expect.stringContaining('less than 20 pixels') as string,
    });
    expect(calibrationOf([tie('0', '0', '10', '10'), tie('500', '0', '10.2', '10')])).toMatchObject({
      fault: expect.stringContaining('less than a millimetre') as string,
    });
    expect(calibrationOf([tie('0', '0', '0', '0'), tie('abc', '0', '50', '50')])).toHaveProperty('fault');
  });

  it('of a photo that is laid are shown to be changed', () => {
    const laid = photo({ a: { px: 1, py: 2, x_mm: 3, y_mm: 4 }, b: { px: 90, py: 2, x_mm: 30, y_mm: 4 } });
    const state = reduce({ ...START, photos: [laid] }, { type: 'choose', photo: laid });
    expect(state.ties[0]).toEqual(tie('1', '2', '3', '4'));
    expect(reduce(state, { type: 'choose', photo: null }).ties).toEqual([BLANK, BLANK]);
  });

  it('a failure ends the sending and is told; the next try forgets it', () => {
    const failed = reduce({ ...START, sending: 3 }, { type: 'failed', error: new Error('x') });
    expect(failed).toMatchObject({ sending: 0 });
    expect(reduce(failed, { type: 'sending', count: 1 })).toMatchObject({ sending: 1, error: null });
  });
});
