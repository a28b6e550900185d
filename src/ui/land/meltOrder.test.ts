import { describe, expect, it } from 'vitest';
import { meltOrderInWords, meltRanks, type Melt } from './meltOrder';

const pin = (pad: string, melt_s: number | null, pads: string[] = [pad]): Melt => ({ pads, melt_s });

describe('the order in which pads melt', () => {
  it('counts from the first, and pads within a twentieth share a place', () => {
    const ranks = meltRanks([pin('3', 2.0), pin('1', 1.0), pin('2', 1.04), pin('4', 2.05)]);
    expect([...ranks].sort()).toEqual([
      ['1', { rank: 1, of: 2 }],
      ['2', { rank: 1, of: 2 }],
      ['3', { rank: 2, of: 2 }],
      ['4', { rank: 2, of: 2 }],
    ]);
  });

  it('puts last what never melts', () => {
    const ranks = meltRanks([pin('1', null), pin('2', 3)]);
    expect(ranks.get('1')).toEqual({ rank: 2, of: 2 });
    expect(meltOrderInWords([pin('1', null), pin('2', 3)])).toBe(
      'Melts first: pin 2. Last: pin 1, never within the dwell.',
    );
  });

  it('is none where all are under one tip together', () => {
    expect(meltRanks([pin('all', 2, ['1', '2', '3'])]).size).toBe(0);
    expect(meltOrderInWords([pin('all', 2, ['1', '2', '3'])])).toBe('All melt together.');
  });

  it('says so where half of all cases melt nothing', () => {
    expect(meltOrderInWords([pin('1', null), pin('2', null)])).toBe(
      'None is molten through within the dwell at the median.',
    );
  });

  it('says by how much the last is later', () => {
    expect(meltOrderInWords([pin('1', 1), pin('2', 2.5)])).toBe(
      'Melts first: pin 1. Last: pin 2, 1.5 s later at the median.',
    );
    expect(meltOrderInWords([])).toBeNull();
  });
});
