import type { Command } from '~/ui/keyboard/command';

export type BoardCommand =
  | 'next'
  | 'previous'
  | 'flip'
  | 'plan'
  | 'resume'
  | 'mode'
  | 'check'
  | 'place-site'
  | 'import'
  | 'draw'
  | 'photos'
  | 'edit'
  | 'correct'
  | 'recap'
  | 'label';

export const BOARD_COMMANDS: readonly Command<BoardCommand>[] = [
  { id: 'next', label: 'Next site', keys: ['ArrowDown', 'j'], group: 'Board' },
  { id: 'previous', label: 'Site before', keys: ['ArrowUp', 'k'], group: 'Board' },
  { id: 'flip', label: 'Turn the board over', keys: ['v'], group: 'Board' },
  { id: 'plan', label: 'Plan this site', keys: ['Enter', 'p'], group: 'Board' },
  { id: 'resume', label: 'Go on with its job', keys: ['g'], group: 'Board' },
  { id: 'mode', label: 'Letters mark findings, or copper and nets', keys: ['m'], group: 'Board' },
  { id: 'check', label: 'Check continuity of this site', keys: ['c'], group: 'Board' },
  { id: 'place-site', label: 'Place a site', keys: ['n'], group: 'Board' },
  { id: 'import', label: 'Import files', keys: ['i'], group: 'Board' },
  { id: 'draw', label: 'Mark a track, a via or an area on the face', keys: ['d'], group: 'Board' },
  { id: 'photos', label: 'Photos of this board', keys: ['o'], group: 'Board' },
  { id: 'edit', label: 'Change what is told of this board', keys: ['e'], group: 'Board' },
  { id: 'correct', label: 'Correct this site, or take it off', keys: ['w'], group: 'Board' },
  { id: 'recap', label: 'Plan many sites at once', keys: ['y'], group: 'Board' },
  { id: 'label', label: 'Print its label', keys: ['l'], group: 'Board' },
];

export type DrawCommand = 'left' | 'right' | 'up' | 'down' | 'point' | 'back' | 'end' | 'leave';

/** While a place is drawn on the face these come first. */
export const DRAW_COMMANDS: readonly Command<DrawCommand>[] = [
  { id: 'left', label: 'Cross to the left', keys: ['ArrowLeft'], group: 'Drawing on the face' },
  { id: 'right', label: 'Cross to the right', keys: ['ArrowRight'], group: 'Drawing on the face' },
  { id: 'up', label: 'Cross up', keys: ['ArrowUp'], group: 'Drawing on the face' },
  { id: 'down', label: 'Cross down', keys: ['ArrowDown'], group: 'Drawing on the face' },
  { id: 'point', label: 'Set a point at the cross', keys: [' '], group: 'Drawing on the face' },
  { id: 'back', label: 'Take the last point back', keys: ['Backspace'], group: 'Drawing on the face' },
  { id: 'end', label: 'End what is drawn', keys: ['Enter'], group: 'Drawing on the face' },
  { id: 'leave', label: 'Draw nothing', keys: ['Escape'], group: 'Drawing on the face' },
];
