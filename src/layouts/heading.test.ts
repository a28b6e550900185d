import { describe, expect, it } from 'vitest';
import { headingWords, titleOf } from './heading';

const board = { id: 'b4', name: 'Beacon driver 4' };
const part = { id: 's7', ref: 'C7', value: '330 µF' };

// Rule broken: findings M1, M2 (look), "Run C5" alone with several boards in flight, and no way back.
describe('a sheet’s heading', () => {
  it('names act, part and board, and leads back to both', () => {
    expect(headingWords({ act: 'Run', board, part })).toEqual([
      { kind: 'act', text: 'Run', href: null },
      { kind: 'part', text: 'C7', href: '/boards/b4?site=s7' },
      { kind: 'board', text: 'Beacon driver 4', href: '/boards/b4' },
    ]);
  });

  it('of the board’s own sheet leads nowhere', () => {
    expect(headingWords({ board })).toEqual([{ kind: 'board', text: 'Beacon driver 4', href: null }]);
    expect(headingWords({ act: 'Bench' })).toEqual([{ kind: 'act', text: 'Bench', href: null }]);
  });

  it('is told with the part first where a tab cuts it off', () => {
    expect(titleOf({ act: 'Run', board, part })).toBe('C7 · Run · Beacon driver 4');
    expect(titleOf({ act: 'Rig' })).toBe('Rig');
  });
});
