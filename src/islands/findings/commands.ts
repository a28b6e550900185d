import { PAD_STATE_IDS, PAD_STATES, type PadStateId } from '~/core/record/padStates';
import { STROKE_IDS, STROKES, type StrokeId } from '~/schema/presets/copperStroke';
import type { Command } from '~/ui/keyboard/command';

/** Letters that record a finding on the lands; they act in the marking mode alone. */
export const MARKING_COMMANDS: readonly Command<PadStateId | 'leave'>[] = [
  ...PAD_STATE_IDS.map((id) => ({
    id,
    label: PAD_STATES[id].name,
    keys: [PAD_STATES[id].letter.toLowerCase()],
    group: 'Marking on the lands',
  })),
  { id: 'leave', label: 'Leave the marking mode', keys: ['Escape'], group: 'Marking on the lands' },
];

/** Letters that say what copper the pads taken meet; they act while copper is being marked. */
export const COPPER_COMMANDS: readonly Command<StrokeId | 'leave'>[] = [
  ...STROKE_IDS.map((id) => ({
    id,
    label: STROKES[id].name,
    keys: [STROKES[id].letter.toLowerCase()],
    group: 'Marking copper',
  })),
  { id: 'leave', label: 'Leave marking copper', keys: ['Escape'], group: 'Marking copper' },
];
