import type { Command } from '~/ui/keyboard/command';

export type SiteCommand = 'turn' | 'flip';

export const SITE_COMMANDS: readonly Command<SiteCommand>[] = [
  { id: 'turn', label: 'Turn the part a quarter', keys: ['t'], group: 'Placing' },
  { id: 'flip', label: 'Put it on the other face', keys: ['v'], group: 'Placing' },
];
