import type { Command } from '~/ui/keyboard/command';

export type RunCommand = 'go' | 'melted' | 'again' | 'back' | 'note' | 'why' | 'land' | 'close';

export const RUN_COMMANDS: readonly Command<RunCommand>[] = [
  { id: 'go', label: 'Done, or iron on and off', keys: [' '], group: 'Run' },
  { id: 'melted', label: 'Molten now', keys: ['m'], group: 'Run' },
  { id: 'again', label: 'Heat this pin again', keys: ['r'], group: 'Run' },
  { id: 'back', label: 'Back a step', keys: ['b'], group: 'Run' },
  { id: 'land', label: 'Mark a finding on the lands', keys: ['f'], group: 'Run' },
  { id: 'note', label: 'Write a note', keys: ['n'], group: 'Run' },
  { id: 'why', label: 'Why this step', keys: ['y'], group: 'Run' },
  { id: 'close', label: 'Close the job', keys: ['x'], group: 'Run' },
];
