import type { Command } from '~/ui/keyboard/command';

export type CheckCommand = 'next' | 'previous' | 'first-open' | 'enter' | 'board';

export const CHECK_COMMANDS: readonly Command<CheckCommand>[] = [
  { id: 'next', label: 'Next check', keys: ['ArrowDown', 'j'], group: 'Checklist' },
  { id: 'previous', label: 'Check before', keys: ['ArrowUp', 'k'], group: 'Checklist' },
  { id: 'first-open', label: 'First check without a reading', keys: ['f'], group: 'Checklist' },
  { id: 'enter', label: 'Type a reading', keys: ['Enter', 'r'], group: 'Checklist' },
  { id: 'board', label: 'Back to the board', keys: ['b'], group: 'Checklist' },
];
