import { describe, expect, it } from 'vitest';
import { freshDatabase, withBoard } from '../../../tests/support/database';
import { addBoard, setWaiting } from '~/server/store/repositories/boards';
import { benchFinds, benchSheet } from './benchSheet';

describe('a bench of many years (findings A10)', () => {
  it('has every board that waits, the last that were closed, and finds the rest', () => {
    const db = freshDatabase();
    const board = withBoard(db);
    db.transaction(() => {
      for (let i = 0; i < 1200; i++)
        addBoard(
          db,
          { ...board, name: `Logger ${i}`, fault: i === 3 ? 'salt in the mast' : 'dead' },
          2_000_000 + i,
          `b-${i}`,
        );
      for (let i = 0; i < 90; i++) setWaiting(db, `b-${i}`, { waitingFor: 'closed', nextAction: '' });
    });
    const { boards, closed } = benchSheet(db);
    expect(closed).toBe(90);
    expect(boards.filter((b) => b.waitingFor !== 'closed')).toHaveLength(1111);
    expect(boards.filter((b) => b.waitingFor === 'closed').map(({ id }) => id)).toContain('b-89');
    expect(boards.some(({ id }) => id === 'b-3')).toBe(false);
    expect(benchFinds(db, 'mast salt').boards.map(({ id }) => id)).toEqual(['b-3']);
    expect(benchFinds(db, '100%').boards).toEqual([]);
  });
});
