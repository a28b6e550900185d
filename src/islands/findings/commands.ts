import { PAD_STATE_IDS, PAD_STATES, type PadStateId } from '~/core/record/padStates';
import type { Command } from '~/ui/keyboard/command';

/** Letters that record a finding on the lands; they act in the marking mode alone. */
export const MARKING_COMMANDS: readonly Command<PadStateId | 'leave'>[] = [
  ...PAD_STATE_IDS.map((id) => ({
    id,
    label: PAD_STATES[id].name,
    keys: [PAD_STATES[id].letter.toLowerCase()],
    group: 'Marking on the pads',
  })),
  { id: 'leave', label: 'Leave the marking mode', keys: ['Escape'], group: 'Marking on the pads' },
];
