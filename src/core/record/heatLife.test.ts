import { describe, expect, it } from 'vitest';
import { exposuresOf, sharedLife, spentByPad } from './heatLife';
import type { RunEvent } from './runEvents';

const SITES = [
  {
    id: 's1',
    pads: [
      { id: 'a', name: '1' },
      { id: 'b', name: '2' },
    ],
  },
  { id: 's2', pads: [{ id: 'c', name: '1' }] },
];
const exposure = (seq: number, pad: string, padDose: number, others: object[] = []): RunEvent =>
  ({
    kind: 'exposure',
    seq,
    at_ms: 1000 * seq,
    by: 'MK',
    pad,
    padDose,
    laminateDose: 0,
    duration_s: 2,
    peak_C: 250,
    modelVersion: 'x',
    others,
  }) as RunEvent;

const JOBS = [
  { siteId: 's2', events: [exposure(5, '1', 0.1)] },
  {
    siteId: 's1',
    events: [
      exposure(1, '1', 0.3, [
        { padId: 'b', padDose: 0.01, peak_C: 140 },
        { padId: 'gone', padDose: 1, peak_C: 200 },
      ]),
      exposure(2, '2', 0.2),
    ],
  },
];

describe('a board’s heat', () => {
  const exposures = exposuresOf(JOBS, SITES);

  it('is in order of time, a share of a neighbour’s touch with it', () => {
    expect(exposures.map((e) => [e.padId, e.dose, e.sharedFrom])).toEqual([
      ['a', 0.3, null],
      ['b', 0.01, 'a'],
      ['b', 0.2, null],
      ['c', 0.1, null],
    ]);
  });

  it('adds up by pad', () => {
    const spent = spentByPad(exposures);
    expect(spent.get('a')).toBe(0.3);
    expect(spent.get('b')).toBeCloseTo(0.21, 12);
    expect(spent.get('c')).toBe(0.1);
  });

  it('on one line is that of the pad with the least left', () => {
    expect(sharedLife(exposures)).toMatchObject({ worstPadId: 'a', spent: 0.3, heated: 3 });
    expect(sharedLife(exposures)!.exposures).toHaveLength(3);
    expect(sharedLife([])).toBeNull();
  });

  it('reads entries that were written before neighbours took a share', () => {
    const { others: _, ...old } = exposure(1, '1', 0.3) as Extract<RunEvent, { kind: 'exposure' }>;
    expect(exposuresOf([{ siteId: 's1', events: [old] }], SITES)).toHaveLength(1);
  });
});
