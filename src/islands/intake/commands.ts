import type { Command } from '~/ui/keyboard/command';

export type SiteCommand = 'turn' | 'flip' | 'where' | 'place';

export const SITE_COMMANDS: readonly Command<SiteCommand>[] = [
  { id: 'where', label: 'Type where its middle lies: x, then y', keys: ['x'], group: 'Placing' },
  { id: 'turn', label: 'Turn the part a quarter', keys: ['r'], group: 'Placing' },
  { id: 'flip', label: 'Put it on the other face', keys: ['v'], group: 'Placing' },
  { id: 'place', label: 'Place it (in a field: Enter)', keys: ['a'], group: 'Placing' },
];
