import type { Command } from '~/ui/keyboard/command';

export type BoardCommand =
  'next' | 'previous' | 'flip' | 'plan' | 'resume' | 'check' | 'place-site' | 'import';

export const BOARD_COMMANDS: readonly Command<BoardCommand>[] = [
  { id: 'next', label: 'Next site', keys: ['ArrowDown', 'j'], group: 'Board' },
  { id: 'previous', label: 'Site before', keys: ['ArrowUp', 'k'], group: 'Board' },
  { id: 'flip', label: 'Turn the board over', keys: ['v'], group: 'Board' },
  { id: 'plan', label: 'Plan this site', keys: ['Enter', 'p'], group: 'Board' },
  { id: 'resume', label: 'Go on with its job', keys: ['g'], group: 'Board' },
  { id: 'check', label: 'Check continuity of this site', keys: ['c'], group: 'Board' },
  { id: 'place-site', label: 'Place a site', keys: ['n'], group: 'Board' },
  { id: 'import', label: 'Import files', keys: ['i'], group: 'Board' },
];
