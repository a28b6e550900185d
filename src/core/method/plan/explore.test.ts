import { inOneGo } from '~/core/stepwise';
import { describe, expect, it } from 'vitest';
import { planRequest, settingAt, trackOn, TWO_LAYER } from '../../../../tests/support/samples';
import type { Ask } from './pieces/piece';
import { solvePiece } from './pieces/solve';
import { exploreInPieces, type Choice, type Explored } from './plan';
import type { FoundPlan } from './phases/foundPlan';

const request = planRequest({ '1': [trackOn(2)], '2': [trackOn(2)] }, { board: TWO_LAYER, goal: 'replace' });

const choices = (off_C: number, on_C: number): Choice[] => [
  { phase: 'remove', method: 'leg-at-a-time', setting: settingAt(off_C) },
  { phase: 'fit', method: 'joint-by-joint', setting: settingAt(on_C) },
];

/** Solves every piece that is asked for, and says how many were. */
function explored(of: Choice[], memory?: Explored): { plan: FoundPlan; asked: number } {
  const steps = exploreInPieces(request, of, memory);
  let asked = 0;
  let next = steps.next();
  while (!next.done) {
    const { value } = next;
    next = steps.next(value.stage === 'ask' ? answersTo(value) : undefined);
    if (value.stage === 'ask') asked += value.pieces.length;
  }
  return { plan: next.value, asked };
}

const answersTo = ({ request: of, pieces }: Ask): unknown[] =>
  pieces.map((piece) => {
    return inOneGo(solvePiece(of, piece));
  });

const figures = (plan: FoundPlan) => plan.phases.map((p) => p.bands);

describe('settings that a technician asks about', () => {
  const memory: Explored = new Map();
  const first = explored(choices(340, 320), memory);

  it('a change to the second half leaves the first as it was', () => {
    const again = explored(choices(340, 330), memory);
    expect(again.asked).toBeLessThan(first.asked);
    expect(again.plan.phases[0]).toBe(first.plan.phases[0]);
    expect(figures(again.plan)).toEqual(figures(explored(choices(340, 330)).plan));
  });

  it('a change to the first is felt by the second, on whatever the first has spent', () => {
    const hotter = explored(choices(420, 320), memory);
    expect(hotter.asked).toBeGreaterThanOrEqual(first.asked);
    expect(hotter.plan.phases[1]!.request.history.padDose['1']!).toBeGreaterThan(
      first.plan.phases[1]!.request.history.padDose['1']!,
    );
  });

  it('going back to a setting asks for nothing', () => {
    const back = explored(choices(340, 320), memory);
    expect(back.asked).toBe(0);
    expect(figures(back.plan)).toEqual(figures(first.plan));
  });

  it('a half without a setting is a mistake of the caller', () => {
    expect(() => explored(choices(340, 320).slice(0, 1))).toThrow(/no setting for phase fit/);
  });
});
