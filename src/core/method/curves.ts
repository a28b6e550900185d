import { allowanceFor, forecastPin } from './forecast';
import { padOrder, scenarioFor, type PlanRequest, type Setting } from './request';

/** Nominal temperatures of one pin over the whole horizon, for drawing; K at the times in `time_s`. */
export interface PinCurves {
  readonly pad: string;
  readonly time_s: Float64Array;
  readonly tip_K: Float64Array;
  readonly land_K: Float64Array;
  readonly coldestSolder_K: Float64Array;
  readonly body_K: Float64Array;
  readonly fullMelt_s: number | null;
  readonly lastToMelt: string;
}

export function curvesOf(request: PlanRequest, setting: Setting): PinCurves[] {
  return padOrder(request).map((pad) => {
    const { run } = forecastPin(scenarioFor(request, setting, pad), allowanceFor(request, pad), {
      whole: true,
    });
    return {
      pad,
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
