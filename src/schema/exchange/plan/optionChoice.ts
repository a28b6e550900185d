import type { Phase } from '~/core/method/goals';
import { phasesIn, type FoundAnswer, type OptionAnswer } from './planAnswer';
import { choiceInput, type ChoiceInput, type SettingInput } from './planRequest';

/** What has to be set to stand on an option. */
export function settingOfOption(option: OptionAnswer): SettingInput {
  const preheat = option.preheat && {
    ...option.preheat,
    setpoint_C: Math.round(option.preheat.setpoint_C),
  };
  if (option.nozzle) {
    return {
      kind: 'air',
      stationId: option.toolId,
      nozzle: option.nozzle,
      air_C: option.setpoint_C,
      flow_L_min: option.flow_L_min!,
      standoff_mm: option.standoff_mm!,
      preheat,
      approach_s: option.approach_s,
      shielded: option.shielded,
    };
  }
  if (!option.tip) throw new Error(`option of ${option.tool} has neither tip nor nozzle`);
  return {
    kind: 'hand',
    toolId: option.toolId,
    tip: option.tip,
    setpoint_C: option.setpoint_C,
    perPad_C: option.perPad_C,
    preheat,
    fluxed: option.fluxed,
    freshSolder: option.freshSolder,
  };
}

/** An option as a choice for its phase. */
export const choiceOfOption = (phase: Phase, option: OptionAnswer): ChoiceInput =>
  choiceInput.parse({ phase, method: option.method, setting: settingOfOption(option) });

/** What a found plan chose, phase by phase. */
export const choicesIn = (answer: FoundAnswer): ChoiceInput[] =>
  phasesIn(answer).map(({ phase, chosen }) => choiceOfOption(phase, chosen));
