import type { PlanRequest, Setting } from '~/core/method/request';
import { celsius } from '~/core/quantity/convert';
import type { SettingInput } from '~/schema/exchange/plan/planRequest';
import { settingOf } from '~/schema/exchange/si/plan';
import { InputError } from '~/schema/values/faults';

/** The technician's setting on this bench. Throws `InputError` where a tool is not there or does not reach it. */
export function benchSetting(request: PlanRequest, input: SettingInput, path = '$.setting'): Setting {
  const setting = settingOf(request, input);
  if (!setting) {
    throw new InputError([
      { path: `${path}.toolId`, message: `"${input.toolId}" is not on the bench; choose one that is` },
    ]);
  }
  const { setpoint_C: given_C } = input;
  const { name, range_K } =
    setting.kind === 'air'
      ? { name: setting.station.name, range_K: setting.station.airRange_K }
      : { name: setting.tool.name, range_K: setting.tool.setpointRange_K };
  const [low, high] = range_K.map(celsius) as [number, number];
  if (given_C < low - 0.01 || given_C > high + 0.01) {
    throw new InputError([
      {
        path: `${path}.setpoint_C`,
        message: `is ${given_C} °C, outside what ${name} reaches; give ${low.toFixed(0)} to ${high.toFixed(0)} °C`,
      },
    ]);
  }
  return setting;
}
