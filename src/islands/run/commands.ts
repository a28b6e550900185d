import type { Command } from '~/ui/keyboard/command';

export type RunCommand =
  | 'go'
  | 'melted'
  | 'again'
  | 'back'
  | 'note'
  | 'why'
  | 'mark'
  | 'take-back'
  | 'stop-here'
  | 'pause'
  | 'photo'
  | 'close'
  | 'speak';

/** None of these letters is one that marks a finding on the lands: the two are on one screen. */
export const RUN_COMMANDS: readonly Command<RunCommand>[] = [
  { id: 'go', label: 'Done, or iron on and off', keys: [' '], group: 'Run' },
  { id: 'melted', label: 'Molten now', keys: ['m'], group: 'Run' },
  { id: 'again', label: 'Heat again', keys: ['h'], group: 'Run' },
  { id: 'back', label: 'Back a step', keys: ['z'], group: 'Run' },
  { id: 'mark', label: 'Mark findings on the pads', keys: ['q'], group: 'Run' },
  { id: 'note', label: 'Write a note', keys: ['n'], group: 'Run' },
  { id: 'why', label: 'Why this step', keys: ['y'], group: 'Run' },
  { id: 'take-back', label: 'Take an entry back', keys: ['g'], group: 'Run' },
  { id: 'stop-here', label: 'Stop here: clean and dry now', keys: ['w'], group: 'Run' },
  { id: 'pause', label: 'Pause, and go on another day', keys: ["'"], group: 'Run' },
  { id: 'photo', label: 'A photo of this board', keys: [';'], group: 'Run' },
  { id: 'speak', label: 'Read steps aloud, or not', keys: [','], group: 'Run' },
  { id: 'close', label: 'Close the job', keys: ['x'], group: 'Run' },
];
