import type { Command } from '~/ui/keyboard/command';

export type RigCommand = 'add-tool' | 'add-supply' | 'shut';

export const RIG_COMMANDS: readonly Command<RigCommand>[] = [
  { id: 'add-tool', label: 'Add a tool', keys: ['n'], group: 'Rig' },
  { id: 'add-supply', label: 'Add a supply', keys: ['s'], group: 'Rig' },
  { id: 'shut', label: 'Close the form', keys: ['Escape'], group: 'Rig' },
];

export const rigCommand = (id: RigCommand) => RIG_COMMANDS.find((c) => c.id === id)!;
