import type { Command } from '~/ui/keyboard/command';

export type PartsCommand =
  'next' | 'previous' | 'find' | 'add-part' | 'drawers' | 'swap' | 'kits' | 'orders' | 'bleed' | 'shut';

export const PARTS_COMMANDS: readonly Command<PartsCommand>[] = [
  { id: 'find', label: 'Find a part', keys: ['/'], group: 'Parts' },
  { id: 'next', label: 'Next part', keys: ['ArrowDown'], group: 'Parts' },
  { id: 'previous', label: 'Part before', keys: ['ArrowUp'], group: 'Parts' },
  { id: 'add-part', label: 'Put a part in a drawer', keys: ['n'], group: 'Parts' },
  { id: 'drawers', label: 'Drawers', keys: ['d'], group: 'Parts' },
  { id: 'swap', label: 'Swap check', keys: ['s'], group: 'Parts' },
  { id: 'kits', label: 'Kits', keys: ['k'], group: 'Parts' },
  { id: 'orders', label: 'Orders', keys: ['o'], group: 'Parts' },
  { id: 'bleed', label: 'Discharge', keys: ['b'], group: 'Parts' },
  { id: 'shut', label: 'Shut what is open', keys: ['Escape'], group: 'Parts' },
];

export const partsCommand = (id: PartsCommand) => PARTS_COMMANDS.find((c) => c.id === id)!;
