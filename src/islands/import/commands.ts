import type { Command } from '~/ui/keyboard/command';

export type ImportCommand =
  | 'choose-files'
  | 'accept'
  | 'next'
  | 'previous'
  | 'strike'
  | 'flip'
  | 'clear'
  | 'cancel'
  | 'leave-out'
  | 'remedy-1'
  | 'remedy-2'
  | 'remedy-3';

export const IMPORT_COMMANDS: readonly Command<ImportCommand>[] = [
  { id: 'choose-files', label: 'Choose files', keys: ['n'], group: 'Import' },
  { id: 'accept', label: 'Write it to the board', keys: ['a'], group: 'Import' },
  { id: 'next', label: 'Next part', keys: ['ArrowDown'], group: 'Import' },
  { id: 'previous', label: 'Part before', keys: ['ArrowUp'], group: 'Import' },
  { id: 'strike', label: 'Leave this part out, or take it', keys: ['x'], group: 'Import' },
  { id: 'flip', label: 'Turn the board over', keys: ['v'], group: 'Import' },
  { id: 'remedy-1', label: 'Read it as the first way says', keys: ['f'], group: 'Import' },
  { id: 'remedy-2', label: 'as the second', keys: ['g'], group: 'Import' },
  { id: 'remedy-3', label: 'as the third', keys: ['h'], group: 'Import' },
  { id: 'leave-out', label: 'Leave out the file in doubt', keys: ['o'], group: 'Import' },
  { id: 'clear', label: 'Start over', keys: ['c'], group: 'Import' },
  { id: 'cancel', label: 'Stop reading', keys: ['Escape'], group: 'Import' },
];
