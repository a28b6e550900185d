import type { Command } from '~/ui/keyboard/command';

export type BenchCommand = 'next' | 'previous' | 'open' | 'find' | 'new-board';

export const BENCH_COMMANDS: readonly Command<BenchCommand>[] = [
  { id: 'next', label: 'Next board', keys: ['ArrowDown'], group: 'Bench' },
  { id: 'previous', label: 'Board before', keys: ['ArrowUp'], group: 'Bench' },
  { id: 'open', label: 'Open board', keys: ['Enter'], group: 'Bench' },
  { id: 'find', label: 'Find a board', keys: ['/'], group: 'Bench' },
  { id: 'new-board', label: 'Book in a board', keys: ['n'], group: 'Bench' },
];
