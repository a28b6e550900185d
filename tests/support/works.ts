import { cubicMetresPerSecond, kelvin } from '~/core/quantity/convert';
import type { CoolDown } from '~/core/method/air/wayDown';
import type { PinBand } from '~/core/method/hand/bands';
import { settingsOnBench } from '~/core/method/hand/handSearch';
import type { AirSetting, PhaseRequest, Setting } from '~/core/method/request';
import type { PhaseWork } from '~/core/method/steps/phaseWork';
import type { Method } from '~/core/method/ways/method';
import type { Preheat } from '~/core/thermal/preheat';
import { STATION } from './samples';

/** A method's work on made-up bands and air: the steps' order and words do not hang on figures. */

const spread = (p50: number) => ({ p10: 0.8 * p50, p50, p90: 1.3 * p50 });

export const band = (pad: string, pads: readonly string[], melt_s: number): PinBand => ({
  pad,
  pads,
  draws: 200,
  stop_s: 3 * melt_s,
  because: 'well past the melt',
  melt_s: spread(melt_s),
  liftFrom_s: melt_s + 0.5,
  holdAfterMelt_s: melt_s,
  chanceSolidAtStop: 0.02,
  padDose: spread(0.02),
  laminateDose: spread(0.01),
  padPeak_K: spread(520),
});

export const air: AirSetting = {
  kind: 'air',
  station: STATION,
  nozzle: STATION.nozzles[1]!,
  air_K: kelvin(380),
  flow_m3_s: cubicMetresPerSecond(40),
  standoff_m: 8e-3,
  preheat: { kind: 'convective', setpoint_K: kelvin(150), soak_s: 120 },
  approach_s: 30,
  shielded: false,
};

export const coolDown: CoolDown = {
  how: 'nozzle drawn away, then off',
  airAway_s: 20,
  clock_s: 260,
  heldPreheat_s: 20,
  bowHot: 0.004,
  bowLeft: 0.001,
  bowLimit: 0.0075,
  fall_K_s: 3,
  ok: true,
};

/** Cold, or over a preheater; null where no tool of the bench is for it. */
export function workOf(
  request: PhaseRequest,
  method: Method,
  preheat: Preheat | null,
  changes: Partial<PhaseWork> = {},
): PhaseWork | null {
  const { heat } = method;
  const setting: Setting | undefined =
    heat.kind === 'air' ? { ...air, preheat } : settingsOnBench(request, heat, preheat)[0];
  if (!setting) return null;
  const touches =
    heat.kind === 'air' || setting.kind === 'air'
      ? [{ name: '1', pads: ['1'] }]
      : heat.touchesOf(request, setting);
  return {
    request,
    method,
    setting,
    bands: touches.map((touch, i) => band(touch.name, touch.pads, 2 + 0.1 * i)),
    bodyPeak_K: kelvin(150),
    rampRatio: heat.kind === 'air' ? 1 : null,
    coolDown: heat.kind === 'air' ? coolDown : null,
    keepOut: null,
    coolDown_s: null,
    ...changes,
  };
}
