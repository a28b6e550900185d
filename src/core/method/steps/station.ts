import { isHood } from '~/core/thermal/surface/jet';
import { litresPerMinute, wholeCelsius } from '~/core/quantity/convert';
import type { Setting } from '../request';
import { step, type Step } from './step';

/** The tool as the plan sets it, read back before anything is heated by it. */
export function setStation(setting: Setting): Step {
  return step({
    id: 'set',
    kind: 'gate',
    title: 'Set the station',
    detail:
      setting.kind === 'hand'
        ? `${setting.tool.name}, ${tipWords(setting.tip)}, ${wholeCelsius(setting.setpoint_K)} °C. Read the temperature back from its display.`
        : `${setting.station.name}, nozzle ${nozzleWords(setting)}, ${wholeCelsius(setting.air_K)} °C, ${litresPerMinute(setting.flow_m3_s).toFixed(0)} L/min, ${(setting.standoff_m * 1e3).toFixed(0)} mm off. Read temperature and flow back from its display.`,
    why: 'A station left at another setting is the commonest way to scorch a board.',
    cautions: ['hot-board'],
  });
}

const tipWords = (tip: Extract<Setting, { kind: 'hand' }>['tip']): string =>
  tip.shape === 'hollow'
    ? `bore ${(tip.inner_m * 1e3).toFixed(1)} mm`
    : `${tip.shape} ${(tip.width_m * 1e3).toFixed(1)} mm`;

const nozzleWords = ({ nozzle }: Extract<Setting, { kind: 'air' }>): string =>
  nozzle.shape === 'round'
    ? `${(nozzle.diameter_m * 1e3).toFixed(0)} mm round`
    : `${(nozzle.width_m * 1e3).toFixed(0)} × ${(nozzle.height_m * 1e3).toFixed(0)} mm${isHood(nozzle) ? ' hood' : ''}`;

/** A board that is warmed first, with its clock. */
export function preheatSteps({ preheat }: Setting): Step[] {
  if (!preheat) return [];
  return [
    step({
      id: 'preheat',
      kind: 'wait',
      title: 'Warm the board',
      detail: `Preheater at ${wholeCelsius(preheat.setpoint_K)} °C under the site; it stays on until the plan says off.`,
      why: 'A warm board takes less from the tool: the plane pins come within reach.',
      wait_s: preheat.soak_s,
      cautions: ['hot-board'],
    }),
  ];
}
