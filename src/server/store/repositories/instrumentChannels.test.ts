import { describe, expect, it } from 'vitest';
import { channelTold } from '~/schema/records/rig/instrumentChannel';
import { freshDatabase } from '../../../../tests/support/database';
import { Conflict } from '../errors';
import { channelsTold, tellChannel } from './instrumentChannels';

describe('what is told of an instrument’s channel', () => {
  const told = channelTold.parse({
    channel: 'tc1',
    name: 'Thin wire',
    place: 'land',
    offset_K: 0.8,
    checkedAt_ms: 1000,
    by: 'MK',
    revision: 0,
  });

  it('is kept, changed, and never silently overwritten by another screen', () => {
    const db = freshDatabase();
    expect(tellChannel(db, 'tc-a', told, 5)).toMatchObject({ instrument: 'tc-a', revision: 1 });
    expect(() => tellChannel(db, 'tc-a', told, 6)).toThrow(Conflict);
    expect(tellChannel(db, 'tc-a', { ...told, place: 'board', revision: 1 }, 7).revision).toBe(2);
    expect(channelsTold(db)).toMatchObject([{ channel: 'tc1', place: 'board', offset_K: 0.8 }]);
  });

  it('is refused with a figure out of range, by name', () => {
    expect(channelTold.safeParse({ ...told, offset_K: 80 }).error?.message).toContain('-50 to 50 K');
    expect(channelTold.safeParse({ ...told, place: 'moon' }).success).toBe(false);
  });
});
