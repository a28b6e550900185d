import { describe, expect, it } from 'vitest';
import { newContinuityReading } from '~/schema/records/site/continuityReading';
import { newSite } from '~/schema/records/site/site';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { SIMULATE_EXAMPLE } from '../../../tests/support/requests';
import { checkSheet, takeContinuityReading } from './checkSheet';
import { findingsOf } from '~/server/store/repositories/findings';
import { addSite } from '~/server/store/repositories/sites';

/** Two capacitors that share both of their nets. */
function bench() {
  const db = freshDatabase();
  const c7 = withCapacitor(db);
  const c8 = addSite(
    db,
    c7.boardId,
    newSite.parse({
      ref: 'C8',
      side: 'top',
      x_mm: 100,
      y_mm: 50,
      alloy: 'sn60pb40',
      package: SIMULATE_EXAMPLE.site.package,
      pads: c7.pads.map(({ name, net, connections }) => ({ name, net, connections })),
    }),
    'site-2',
  );
  const read = (kind: 'continuity' | 'short', value_Ohm: number | null, pad = 0, other = c8.pads[pad]!.id) =>
    takeContinuityReading(
      db,
      c7.id,
      newContinuityReading.parse({ kind, padId: c7.pads[pad]!.id, otherPadId: other, value_Ohm, by: 'MK' }),
      5000,
    );
  return { db, c7, c8, read };
}

describe('a reading of the checklist', () => {
  it('that is good is recorded with the limit it was held against, and finds nothing', () => {
    const { read, db, c7 } = bench();
    const { reading, finding } = read('continuity', 0.1);
    expect(reading).toMatchObject({ verdict: 'good', value_Ohm: 0.1, siteId: c7.id });
    expect(reading.limit_Ohm).toBeGreaterThan(0.1);
    expect(finding).toBeNull();
    expect(checkSheet(db, c7.id).readings).toEqual([reading]);
  });

  it('that fails becomes a finding: a cut track on an outer layer, a barrel where an inner layer is lost', () => {
    const { read } = bench();
    expect(read('continuity', null).finding).toMatchObject({
      state: 'track-cut',
      note: 'By meter: open to C8 pin 1',
    });
    expect(read('continuity', 30, 1).finding).toMatchObject({ state: 'barrel' });
  });

  it('that fails twice finds once: the damage is known already', () => {
    const { read, db, c7 } = bench();
    read('continuity', null);
    expect(read('continuity', null).finding).toBeNull();
    expect(findingsOf(db, c7.boardId)).toHaveLength(1);
  });

  it('of a short becomes a bridge that names both pads', () => {
    const { read, c7 } = bench();
    const { finding } = read('short', 0.2, 0, c7.pads[1]!.id);
    expect(finding).toMatchObject({ state: 'bridged', padId: c7.pads[0]!.id, otherPadId: c7.pads[1]!.id });
  });

  it('between pads that are not on the list is refused, and nothing is written', () => {
    const { read, db, c7, c8 } = bench();
    expect(() => read('short', 0.2, 0, c8.pads[1]!.id)).toThrow(/not on the checklist/);
    expect(checkSheet(db, c7.id).readings).toEqual([]);
  });

  it('is never changed afterwards', () => {
    const { read, db } = bench();
    read('continuity', 0.1);
    expect(() => db.$client.exec('UPDATE readings SET value_ohm = 9')).toThrow(/append-only/);
    expect(() => db.$client.exec('DELETE FROM readings')).toThrow(/append-only/);
  });
});
