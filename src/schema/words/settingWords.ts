import type { OptionAnswer } from '~/schema/exchange/plan/planAnswer';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';

/** Settings in the trade's words. */

/** A tip or nozzle as it is asked for. */
export function tipInWords({ tip, nozzle }: Pick<OptionAnswer, 'tip' | 'nozzle'>): string {
  if (tip)
    return 'inner_mm' in tip
      ? `bore ${tip.inner_mm.toFixed(1)} mm`
      : `${tip.shape} ${tip.width_mm.toFixed(1)} mm`;
  if (!nozzle) return '';
  return 'diameter_mm' in nozzle
    ? `nozzle ⌀ ${nozzle.diameter_mm} mm`
    : `nozzle ${nozzle.width_mm} × ${nozzle.height_mm} mm`;
}

export function settingInWords(
  option: Pick<
    OptionAnswer,
    'setpoint_C' | 'perPad_C' | 'tip' | 'nozzle' | 'tool' | 'preheat' | 'flow_L_min' | 'standoff_mm'
  >,
): string {
  const tip = tipInWords(option);
  const air =
    option.flow_L_min === null
      ? ''
      : `, ${Math.round(option.flow_L_min)} L/min${option.standoff_mm === null ? '' : ` from ${option.standoff_mm} mm`}`;
  const warm = option.preheat
    ? `, board warmed at ${Math.round(option.preheat.setpoint_C)} °C for ${Math.round(option.preheat.soak_s)} s`
    : '';
  return `${option.tool}, ${tip}, ${option.setpoint_C} °C${turnedInWords(option.perPad_C)}${air}${warm}`;
}

/** Pins at other temperatures, together where they share one. */
function turnedInWords(perPad_C: OptionAnswer['perPad_C']): string {
  const byTemperature = new Map<number, string[]>();
  for (const [pad, t_C] of Object.entries(perPad_C))
    byTemperature.set(t_C, [...(byTemperature.get(t_C) ?? []), pad]);
  return [...byTemperature]
    .map(([t_C, pads]) => ` (pin${pads.length > 1 ? 's' : ''} ${pads.join(', ')} at ${t_C} °C)`)
    .join('');
}

/** A choice as it is set, on the tool of that name. */
export function choiceInWords({ setting }: ChoiceInput, tool: string): string {
  return setting.kind === 'air'
    ? settingInWords({
        tool,
        tip: null,
        nozzle: setting.nozzle,
        setpoint_C: setting.air_C,
        perPad_C: {},
        flow_L_min: setting.flow_L_min,
        standoff_mm: setting.standoff_mm,
        preheat: setting.preheat,
      })
    : settingInWords({ ...setting, tool, nozzle: null, flow_L_min: null, standoff_mm: null });
}
