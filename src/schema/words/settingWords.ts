import { nozzleWords, tipWords } from './toolWords';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';

/** Settings in the trade's words. */

/** What is said of a setting, whether a plan gives it back or a job kept it. */
export interface SaidSetting {
  readonly tool: string;
  readonly tip: { readonly inner_mm: number } | { readonly shape: string; readonly width_mm: number } | null;
  readonly nozzle:
    | { readonly diameter_mm: number }
    | { readonly width_mm: number; readonly height_mm: number; readonly slot_mm?: number | undefined }
    | null;
  readonly setpoint_C: number;
  readonly perPad_C: Readonly<Record<string, number>>;
  readonly preheat: { readonly setpoint_C: number; readonly soak_s: number } | null;
  readonly flow_L_min: number | null;
  readonly standoff_mm: number | null;
}

/** A tip or nozzle as it is asked for. */
export function tipInWords({ tip, nozzle }: Pick<SaidSetting, 'tip' | 'nozzle'>): string {
  if (tip) return tipWords(tip);
  return nozzle ? `nozzle ${nozzleWords(nozzle)}` : '';
}

export function settingInWords(option: SaidSetting): string {
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
function turnedInWords(perPad_C: SaidSetting['perPad_C']): string {
  const byTemperature = new Map<number, string[]>();
  for (const [pad, t_C] of Object.entries(perPad_C))
    byTemperature.set(t_C, [...(byTemperature.get(t_C) ?? []), pad]);
  return [...byTemperature]
    .map(([t_C, pads]) => ` (pin${pads.length > 1 ? 's' : ''} ${pads.join(', ')} at ${t_C} °C)`)
    .join('');
}

/** A choice as it is set, on the tool of that name. */
export const choiceInWords = ({ setting }: ChoiceInput, tool: string): string =>
  settingInWords({
    tip: null,
    nozzle: null,
    perPad_C: {},
    flow_L_min: null,
    standoff_mm: null,
    ...setting,
    tool,
  });
