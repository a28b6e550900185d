import type { Command } from '~/ui/keyboard/command';

export type PhotoCommand = 'add' | 'lay' | 'board';

export const PHOTO_COMMANDS: readonly Command<PhotoCommand>[] = [
  { id: 'add', label: 'Add photos', keys: ['a'], group: 'Photos' },
  { id: 'lay', label: 'Lay the photo under the face', keys: ['l'], group: 'Photos' },
  { id: 'board', label: 'Back to the board', keys: ['b'], group: 'Photos' },
];
