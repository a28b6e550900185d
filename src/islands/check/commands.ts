import type { Command } from '~/ui/keyboard/command';

export type CheckCommand = 'next' | 'previous' | 'first-open' | 'enter';

export const CHECK_COMMANDS: readonly Command<CheckCommand>[] = [
  { id: 'next', label: 'Next check', keys: ['ArrowDown'], group: 'Checklist' },
  { id: 'previous', label: 'Check before', keys: ['ArrowUp'], group: 'Checklist' },
  { id: 'first-open', label: 'First check without a reading', keys: ['f'], group: 'Checklist' },
  { id: 'enter', label: 'Type a reading', keys: ['Enter'], group: 'Checklist' },
];
