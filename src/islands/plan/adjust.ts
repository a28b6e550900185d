import type {
  AirSettingInput,
  ChoiceInput,
  HandSettingInput,
  PreheatInput,
} from '~/schema/exchange/plan/planRequest';
import type { PlanCommand } from './commands';
import type { OfferedStation } from './tools';

import { clamp, type OfferedTool } from './tools';
import { dequal } from 'dequal';

/** What a key may change on the tool at hand. */
export interface Adjustable {
  readonly tools: readonly OfferedTool[];
  readonly stations: readonly OfferedStation[];
  readonly preheat: PreheatInput | null;
}

const STEP_C = 10;
const STEP_L_min = 5;
const STEP_mm = 1;

/** A nozzle nearer than this touches the part; farther off the wand only warms the room. */
export const STANDOFF_mm = [2, 40] as const;

/** The choice as one command changes it; null where the command is not about what is set. */
export function adjusted(
  choice: ChoiceInput | null,
  command: PlanCommand,
  { tools, stations, preheat }: Adjustable,
): ChoiceInput | null {
  if (!choice) return null;
  const { setting } = choice;
  const sign = command === 'hotter' || command === 'more-flow' ? 1 : -1;
  switch (command) {
    case 'warm':
      return preheat && changed(choice, { preheat: setting.preheat ? null : preheat });
    case 'hotter':
    case 'cooler':
      return turned(choice, sign * STEP_C, { tools, stations });
    case 'next-tip':
      return nextTip(choice, { tools, stations });
    case 'more-flow':
    case 'less-flow': {
      if (setting.kind !== 'air') return null;
      const range = stations.find((s) => s.id === setting.toolId)?.spec.flowRange_L_min;
      return range
        ? changed(choice, { flow_L_min: clamp(setting.flow_L_min + sign * STEP_L_min, range) })
        : null;
    }
    case 'nearer':
    case 'farther': {
      if (setting.kind !== 'air') return null;
      const by_mm = command === 'farther' ? STEP_mm : -STEP_mm;
      return changed(choice, { standoff_mm: clamp(setting.standoff_mm + by_mm, STANDOFF_mm) });
    }
    case 'foil':
      return setting.kind === 'air' ? changed(choice, { shielded: !setting.shielded }) : null;
    case 'flux':
      return setting.kind === 'hand' ? changed(choice, { fluxed: !setting.fluxed }) : null;
    case 'solder':
      return setting.kind === 'hand' ? changed(choice, { freshSolder: !setting.freshSolder }) : null;
    default:
      return null;
  }
}

type OnBench = Pick<Adjustable, 'tools' | 'stations'>;

function turned(choice: ChoiceInput, by_C: number, { tools, stations }: OnBench): ChoiceInput | null {
  const { setting } = choice;
  if (setting.kind === 'air') {
    const range = stations.find((s) => s.id === setting.toolId)?.spec.airRange_C;
    return range ? changed(choice, { setpoint_C: clamp(setting.setpoint_C + by_C, range) }) : null;
  }
  const range = tools.find((t) => t.id === setting.toolId)?.range_C;
  if (!range) return null;
  const moved = (t_C: number): number => clamp(t_C + by_C, range);
  return changed(choice, {
    setpoint_C: moved(setting.setpoint_C),
    perPad_C: Object.fromEntries(Object.entries(setting.perPad_C).map(([pad, t_C]) => [pad, moved(t_C)])),
  });
}

/** The choice at one temperature, all pins alike, as far as its tool reaches. */
export function turnedTo(choice: ChoiceInput, set_C: number, on: OnBench): ChoiceInput | null {
  const there = turned(choice, set_C - choice.setting.setpoint_C, on);
  return there && choice.setting.kind === 'hand' ? changed(there, { perPad_C: {} }) : there;
}

function nextTip(choice: ChoiceInput, { tools, stations }: OnBench): ChoiceInput | null {
  const { setting } = choice;
  if (setting.kind === 'air') {
    const nozzles = stations.find((s) => s.id === setting.toolId)?.spec.nozzles ?? [];
    const at = nozzles.findIndex((n) => dequal(n, setting.nozzle));
    return nozzles.length > 0 ? changed(choice, { nozzle: nozzles[(at + 1) % nozzles.length]! }) : null;
  }
  const tips = tools.find((t) => t.id === setting.toolId)?.tips ?? [];
  const at = tips.findIndex((t) => dequal(t, setting.tip));
  return tips.length > 0 ? changed(choice, { tip: tips[(at + 1) % tips.length]! }) : null;
}

/** A setting with one thing changed, of whichever kind it is. */
export const changed = (choice: ChoiceInput, part: SettingPart): ChoiceInput => ({
  ...choice,
  setting: { ...choice.setting, ...part },
});

/** What of a setting is changed at a time; its kind stays. */
export type SettingPart = Partial<Omit<AirSettingInput, 'kind'>> | Partial<Omit<HandSettingInput, 'kind'>>;
