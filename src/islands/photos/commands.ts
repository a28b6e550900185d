import type { Command } from '~/ui/keyboard/command';

export type PhotoCommand = 'add' | 'lay';

export const PHOTO_COMMANDS: readonly Command<PhotoCommand>[] = [
  { id: 'add', label: 'Add photos', keys: ['n'], group: 'Photos' },
  { id: 'lay', label: 'Lay the photo under the face', keys: ['l'], group: 'Photos' },
];
