import type { Command } from '~/ui/keyboard/command';

export type RecapCommand = 'begin' | 'by-value' | 'by-area' | 'keep' | 'kit' | 'again' | 'print' | 'cancel';

export const RECAP_COMMANDS: readonly Command<RecapCommand>[] = [
  { id: 'begin', label: 'Begin, or go on', keys: ['a'], group: 'Whole board' },
  { id: 'by-value', label: 'By value', keys: ['b'], group: 'Whole board' },
  { id: 'by-area', label: 'By area', keys: ['r'], group: 'Whole board' },
  { id: 'keep', label: 'Keep this order for later', keys: ['k'], group: 'Whole board' },
  { id: 'kit', label: 'Kit out of the drawers', keys: ['d'], group: 'Whole board' },
  { id: 'again', label: 'Plan what is left again', keys: ['h'], group: 'Whole board' },
  { id: 'print', label: 'Print', keys: ['p'], group: 'Whole board' },
  { id: 'cancel', label: 'Stop computing', keys: ['Escape'], group: 'Whole board' },
];

export const recapCommand = (id: RecapCommand) => RECAP_COMMANDS.find((c) => c.id === id)!;
