import { describe, expect, it } from 'vitest';
import { compareHeats, type PlannedHeat } from './planned';
import type { Dwell } from './runState';

const heat = (stepId: string): PlannedHeat => ({
  stepId,
  pad: '1',
  melt_s: { p10: 1, p90: 3 },
  stop_s: 6,
  padDose: { p50: 0.02, p90: 0.05 },
});
const dwell = (stepId: string, melted_s: number | null, off_s: number, padDose = 0.02): Dwell => ({
  stepId,
  pad: '1',
  onSeq: 1,
  on_ms: 0,
  melted_s,
  off_s,
  meltedSeq: null,
  offSeq: null,
  exposure: { padDose, laminateDose: 0, peak_C: 280 },
});
const verdicts = (...dwells: Dwell[]) => compareHeats([heat('heat-1')], dwells).map((c) => c.melt);

describe('a plan beside what was done', () => {
  it('says whether the melt came within its band', () => {
    expect(verdicts(dwell('heat-1', 2, 3))).toEqual(['as planned']);
    expect(verdicts(dwell('heat-1', 0.5, 3))).toEqual(['sooner']);
    expect(verdicts(dwell('heat-1', 4, 5))).toEqual(['later']);
    expect(verdicts()).toEqual(['not done']);
  });

  it('does not call a melt late for the half second that a finger takes', () => {
    expect(verdicts(dwell('heat-1', 3.5, 4.5))).toEqual(['as planned']);
  });

  it('keeps every try of a step, and marks one held past its stop', () => {
    const lines = compareHeats([heat('heat-1')], [dwell('heat-1', null, 7), dwell('heat-1', 2, 3)]);
    expect(lines.map((l) => [l.melt, l.pastStop])).toEqual([
      ['not seen', true],
      ['as planned', false],
    ]);
  });

  it('marks a dose beyond nine plans in ten', () => {
    const [line] = compareHeats([heat('heat-1')], [dwell('heat-1', 2, 9, 0.08)]);
    expect(line!.doseOverP90).toBe(true);
  });
});
