import type { Command } from '~/ui/keyboard/command';

export type MemoryCommand = 'read' | 'write' | 'verify' | 'compare' | 'make';

export const MEMORY_COMMANDS: readonly Command<MemoryCommand>[] = [
  { id: 'read', label: 'Read it twice', keys: ['r'], group: 'Contents' },
  { id: 'write', label: 'Write it into the new part', keys: ['w'], group: 'Contents' },
  { id: 'verify', label: 'Verify it', keys: ['y'], group: 'Contents' },
  { id: 'compare', label: 'Compare the two', keys: ['c'], group: 'Contents' },
  { id: 'make', label: 'Make the new contents', keys: ['m'], group: 'Contents' },
];

export const memoryCommand = (id: MemoryCommand) => MEMORY_COMMANDS.find((c) => c.id === id)!;
