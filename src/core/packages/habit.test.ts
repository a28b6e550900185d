import { describe, expect, it } from 'vitest';
import { habitOf, type TurnedPart } from './habit';

const parts = (...turns: number[]): TurnedPart[] =>
  turns.map((rotation_deg, i) => ({ ref: `U${i + 1}`, side: 'top', rotation_deg }));

describe('a board’s habit of turning its parts', () => {
  it('is what most of them do; the others are named', () => {
    expect(habitOf(parts(0, 0, 0, 180, 0), 'top')).toEqual({
      side: 'top',
      rotation_deg: 0,
      keep: 4,
      of: 5,
      differ: ['U4'],
    });
  });

  it('counts turns that come to the same, −90 and 270 alike', () => {
    expect(habitOf(parts(-90, 270, 630, 271), 'top')).toMatchObject({ rotation_deg: 270, differ: [] });
  });

  it('is none with few parts, on the other face, or where they lie both ways', () => {
    expect(habitOf(parts(0, 0, 0), 'top')).toBeNull();
    expect(habitOf(parts(0, 0, 0, 0), 'bottom')).toBeNull();
    expect(habitOf(parts(0, 90, 0, 90, 0), 'top')).toBeNull();
  });
});
