import { alone } from '~/core/thermal/network/prepared';
import type { HandHeat } from './handTrial';
import type { HandSetting, PhaseRequest } from '../request';
import { PLAN } from '../settings';

/** Nominal temperatures of one touch over the whole horizon, for drawing; K at the times in `time_s`. */
export interface TouchCurves {
  readonly pad: string;
  readonly time_s: Float64Array;
  readonly tip_K: Float64Array;
  readonly land_K: Float64Array;
  readonly coldestSolder_K: Float64Array;
  readonly body_K: Float64Array;
  readonly fullMelt_s: number | null;
  readonly lastToMelt: string;
}

/** Curves of every touch; touches alike share their arrays' values. */
export function curvesOf(request: PhaseRequest, heat: HandHeat, setting: HandSetting): TouchCurves[] {
  const known = new Map<string, Omit<TouchCurves, 'pad'>>();
  return heat.touchesOf(request, setting).map((touch) => {
    const run =
      known.get(touch.likeness) ?? alone(touch.prepare({ duration_s: touch.longest_s + PLAN.past_s }));
    known.set(touch.likeness, run);
    return {
      pad: touch.name,
      time_s: run.time_s,
      tip_K: run.tip_K,
      land_K: run.land_K,
      coldestSolder_K: run.coldestSolder_K,
      body_K: run.body_K,
      fullMelt_s: run.fullMelt_s,
      lastToMelt: run.lastToMelt,
    };
  });
}
