import type { Command } from '~/ui/keyboard/command';

export type PhotoCommand = 'add' | 'lay' | 'take-away';

export const PHOTO_COMMANDS: readonly Command<PhotoCommand>[] = [
  { id: 'add', label: 'Add photos', keys: ['n'], group: 'Photos' },
  { id: 'take-away', label: 'Take a picture away', keys: ['Delete'], group: 'Photos' },
  { id: 'lay', label: 'Lay the photo under the face', keys: ['l'], group: 'Photos' },
];
