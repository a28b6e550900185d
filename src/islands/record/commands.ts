import type { Command } from '~/ui/keyboard/command';

export type RecordCommand = 'choose-files' | 'accept' | 'keep-mine' | 'take-theirs' | 'cancel';

export const RECORD_COMMANDS: readonly Command<RecordCommand>[] = [
  { id: 'choose-files', label: 'Choose a bundle', keys: ['n'], group: 'Record' },
  { id: 'accept', label: 'Bring it in', keys: ['a'], group: 'Record' },
  {
    id: 'keep-mine',
    label: 'Bring it in; where they differ, keep what is here',
    keys: ['m'],
    group: 'Record',
  },
  {
    id: 'take-theirs',
    label: 'Bring it in; where they differ, take what it says',
    keys: ['i'],
    group: 'Record',
  },
  { id: 'cancel', label: 'Leave it', keys: ['Escape'], group: 'Record' },
];
