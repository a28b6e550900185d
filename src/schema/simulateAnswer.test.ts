import { describe, expect, it } from 'vitest';
import { changed, SIMULATE_EXAMPLE } from '../../tests/support/requests';
import { parseInput } from './faults';
import { simulateInput } from './simulateRequest';
import { simulate } from './simulateAnswer';

const answerTo = (input: unknown) => simulate(parseInput(simulateInput, input));

describe('simulate', () => {
  const answer = answerTo(SIMULATE_EXAMPLE);

  it('answers in the contract’s shape: pads, part, board, neighbours, energy, histories', () => {
    expect(answer.pads.map((p) => p.pad)).toEqual(['1', '2']);
    const [first] = answer.pads;
    expect(first!.solidus_s!).toBeLessThanOrEqual(first!.liquidus_s!);
    expect(first!.liquidus_s!).toBeLessThanOrEqual(first!.fullMelt_s!);
    expect(first!.aboveLiquidus_s).toBeCloseTo(8 - first!.fullMelt_s!, 0);
    expect(answer.energy.relativeResidual).toBeLessThan(1e-6);
    expect(answer.histories['pad:1']).toHaveLength(answer.histories['time_s']!.length);
    expect(Object.keys(answer.histories)).toEqual(expect.arrayContaining(['time_s', 'pad:1', 'tip', 'body']));
  });

  it('warms the far pad and the neighbour a little, and neither melts', () => {
    expect(answer.pads[1]!.fullMelt_s).toBeNull();
    expect(answer.pads[1]!.peak_C).toBeGreaterThan(23);
    expect(answer.pads[1]!.peak_C).toBeLessThan(120);
    expect(answer.neighbours[0]).toMatchObject({ ref: 'R3', ok: true });
  });

  it('gives null where a melt never happened', () => {
    const cold = answerTo(changed(SIMULATE_EXAMPLE, 'load.setpoint_C', 150));
    expect(cold.pads[0]).toMatchObject({
      solidus_s: null,
      liquidus_s: null,
      fullMelt_s: null,
      aboveLiquidus_s: 0,
    });
  });

  it('is the same on a mirrored job: part below, iron above', () => {
    const mirrored = changed(changed(SIMULATE_EXAMPLE, 'site.side', 'bottom') as object, 'neighbours', []);
    const below = answerTo(mirrored);
    expect(below.pads[0]!.fullMelt_s!).toBeCloseTo(answer.pads[0]!.fullMelt_s!, 6);
    expect(below.board.peakTop_C).toBeCloseTo(answer.board.peakBottom_C, 6);
  });
});
