import { alone } from '~/core/thermal/network/prepared';
import { describe, expect, it } from 'vitest';
import {
  GUN,
  inPhase,
  IRON,
  planeOn,
  planRequest,
  reliefOn,
  settingAt,
  trackOn,
} from '../../../../tests/support/samples';
import { methodOf } from '../ways';
import { PLAN } from '../settings';
import { allowanceFor, forecastTouches } from './forecast';
import { settingsOnBench } from '../hand/handSearch';
import type { HandHeat } from '../hand/handTrial';
import type { Touch } from '../hand/touch';

const request = inPhase(
  planRequest({ '1': [trackOn(4)], '2': [planeOn(2)] }, { irons: [IRON], guns: [GUN] }),
);
const others = [
  { '1': [reliefOn(2)], '2': [planeOn(2, 3)] },
  { '1': [trackOn(1)], '2': [reliefOn(2, 3)] },
].map((joints) => inPhase(planRequest(joints, { irons: [IRON], guns: [GUN] })));

function touches(): Touch[] {
  return [request, ...others].flatMap((of) =>
    (['leg-at-a-time', 'gun'] as const).flatMap((id) => {
      const heat = methodOf(id).heat as HandHeat;
      return settingsOnBench(of, heat, null)
        .filter((_, i) => i % 2 === 0)
        .flatMap((setting) => heat.touchesOf(of, setting));
    }),
  );
}

const meltOf = (touch: Touch, tolerance_K: number): number | null =>
  alone(touch.prepare({ duration_s: touch.longest_s + PLAN.past_s, tolerance_K })).fullMelt_s;

describe('the forecast of a touch', () => {
  it('melts as a run with steps many times finer does: a few hundredths, of what is uncertain by tenths', () => {
    const errors = touches().flatMap((touch) => {
      const [coarse, fine] = [meltOf(touch, PLAN.tolerance_K), meltOf(touch, 0.7)];
      return coarse !== null && fine !== null ? [Math.abs(coarse / fine - 1)] : [];
    });
    errors.sort((a, b) => a - b);
    expect(errors.length).toBeGreaterThan(50);
    expect(errors[Math.floor(errors.length / 2)]!).toBeLessThan(0.02);
    expect(errors[Math.floor(0.9 * errors.length)]!).toBeLessThan(0.05);
  });

  it('ends where the iron leaves, and spends no more by then than a run that goes on', () => {
    const heat = methodOf('leg-at-a-time').heat as HandHeat;
    for (const touch of heat.touchesOf(request, settingAt(420))) {
      const { off_s, fullMelt_s, stop_s, padDoseAtOff } = forecastTouches([
        { touch, allowance: allowanceFor(request, ['1']) },
      ])[0]!;
      expect(off_s).toBeCloseTo(fullMelt_s! + PLAN.settle_s + PLAN.reaction_s, 9);
      expect(stop_s).toBeGreaterThan(0);
      expect(stop_s).toBeLessThanOrEqual(touch.longest_s);
      const room = PLAN.dwellShare - padDoseAtOff;
      // In time exactly where the pad still has room when the iron leaves.
      expect(off_s! <= stop_s).toBe(room >= 0);
    }
  });

  it('of a joint that never melts goes to the longest dwell, and leaves it too cold', () => {
    const heat = methodOf('leg-at-a-time').heat as HandHeat;
    const setting = settingsOnBench(request, heat, null)[0]!;
    const plane = heat.touchesOf(request, setting).find((touch) => touch.name === '2')!;
    const forecast = forecastTouches([{ touch: plane, allowance: allowanceFor(request, ['2']) }])[0]!;
    expect(forecast.off_s).toBeNull();
    expect(forecast.coldestAtEnd_K).toBeLessThan(plane.liquidus_K);
  });
});
