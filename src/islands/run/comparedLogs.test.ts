import { describe, expect, it } from 'vitest';
import { linesOf, planLines, readOff } from './comparedLogs';

const PROFILE = {
  format: 'thermal-profile',
  version: 1,
  title: 'Pin 1',
  began_ms: null,
  channels: [{ id: 'tc1', name: 'Land', unit: 'degC' }],
  elapsed_s: [0, 1, 2, 3, 4, 5, 6],
  values: { tc1: [20, 20, 120, 220, null, 240, 200] },
  marks: [{ at_s: 1, what: 'heat on' }],
} as const;

describe('two logs on one chart', () => {
  it('begin where the heat came on, whatever their own clocks say', () => {
    const [line] = linesOf(PROFILE as unknown as Parameters<typeof linesOf>[0]);
    expect(line!.at_s).toEqual([-1, 0, 1, 2, 3, 4, 5]);
  });

  it('tell peak, time over the melt and the steepest second; a gap is no reading', () => {
    const [line] = linesOf(PROFILE as unknown as Parameters<typeof linesOf>[0]);
    expect(readOff(line!, 183)).toEqual({ peak_C: 240, peakAt_s: 4, over_s: 3, steepest_K_s: 100 });
    expect(readOff({ name: 'x', at_s: [0, 1], value_C: [null, null] }, 183)).toBeNull();
  });

  it('a plan is laid beside as its middle and tenths of land and body', () => {
    const course = { p10_K: [300, 400], p50_K: [300, 450], p90_K: [300, 500] };
    const lines = planLines(
      { step_s: 0.5, bodyLimit_K: null, touches: [{ touches: ['1'], land: course, body: course }] },
      '1',
      (t_K) => t_K - 273,
    );
    expect(lines).toHaveLength(6);
    expect(lines[0]).toEqual({ name: 'land, expected', at_s: [0, 0.5], value_C: [27, 177] });
  });
});
