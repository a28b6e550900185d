import { describe, expect, it } from 'vitest';
import type { Dwell } from '~/core/record/runState';
import { PLAN } from '~/core/method/settings';
import { drawsFromKept } from './fromKept';
import { seenIn } from './seenIn';

const dwell = (
  pad: string,
  on_s: number,
  off_s: number | null,
  melted_s: number | null,
  stepId = 'heat',
): Dwell => ({
  stepId,
  pad,
  onSeq: on_s,
  on_ms: on_s * 1000,
  melted_s,
  off_s,
  meltedSeq: null,
  offSeq: null,
  exposure: null,
});
const OWN = new Set(['heat']);

describe('what a run tells of its bench', () => {
  it('is each melt that was seen, and each heat that ended without one', () => {
    expect(seenIn([dwell('1', 0, 3, 1.4), dwell('2', 20, 5, null)], OWN)).toEqual([
      { touch: '1', melted_s: 1.4, held_s: 3 },
      { touch: '2', melted_s: null, held_s: 5 },
    ]);
  });

  it('leaves out a pin that was still warm, and takes it again once it has cooled', () => {
    const soon = dwell('1', 10, 3, 0.5);
    const later = dwell('1', 14 + PLAN.coolAgain_s, 3, 1.2);
    expect(seenIn([dwell('1', 0, 3, null), soon, later], OWN).map((s) => s.melted_s)).toEqual([null, 1.2]);
  });

  it('is of its own phase, and of heats that are over or molten', () => {
    expect(seenIn([dwell('1', 0, 3, 1, 'other'), dwell('2', 9, null, null)], OWN)).toEqual([]);
    expect(seenIn([dwell('2', 9, null, 1.1)], OWN)).toEqual([{ touch: '2', melted_s: 1.1, held_s: 1.1 }]);
  });

  it('reads never as infinity', () => {
    const touch = { touches: ['1'], melts_s: [0.5, null], limits_s: [null, 3], longest_s: 12 };
    const [read] = drawsFromKept({ seed: 1, draws: 2, touches: [touch] }).touches;
    expect(read).toMatchObject({ melts_s: [0.5, Infinity], limits_s: [Infinity, 3] });
  });
});
