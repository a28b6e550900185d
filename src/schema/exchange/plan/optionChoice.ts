import type { Phase } from '~/core/method/goals';
import type { FoundAnswer, OptionAnswer } from './planAnswer';
import { phasesIn } from './phasesIn';
import {
  airSettingInput,
  choiceInput,
  handSettingInput,
  settingInput,
  type ChoiceInput,
  type SettingInput,
} from './planRequest';

const AIR_KEYS = Object.keys(airSettingInput.shape);
const HAND_KEYS = Object.keys(handSettingInput.shape);

/** What has to be set to stand on an option: the same keys without what it comes to. A soak is set in whole degrees. */
function settingOfOption(option: OptionAnswer): SettingInput {
  const keys = option.kind === 'air' ? AIR_KEYS : HAND_KEYS;
  const preheat = option.preheat && {
    ...option.preheat,
    setpoint_C: Math.round(option.preheat.setpoint_C),
  };
  return settingInput.parse(
    Object.fromEntries(Object.entries({ ...option, preheat }).filter(([key]) => keys.includes(key))),
  );
}

/** An option as a choice for its phase. */
export const choiceOfOption = (phase: Phase, option: OptionAnswer): ChoiceInput =>
  choiceInput.parse({ phase, method: option.method, setting: settingOfOption(option) });

/** What a found plan chose, phase by phase. */
export const choicesIn = (answer: FoundAnswer): ChoiceInput[] =>
  phasesIn(answer).map(({ phase, chosen }) => choiceOfOption(phase, chosen));
