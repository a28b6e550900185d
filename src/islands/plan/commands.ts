import type { Command } from '~/ui/keyboard/command';

export type PlanCommand =
  | 'hotter'
  | 'cooler'
  | 'next-tip'
  | 'warm'
  | 'flux'
  | 'solder'
  | 'choice'
  | 'low-and-long'
  | 'hot-and-quick'
  | 'next-pin'
  | 'hot-air'
  | 'cancel'
  | 'accept';

export const PLAN_COMMANDS: readonly Command<PlanCommand>[] = [
  { id: 'accept', label: 'Accept and run', keys: ['a'], group: 'Plan' },
  { id: 'hotter', label: '10 °C hotter', keys: ['+', '='], group: 'Plan' },
  { id: 'cooler', label: '10 °C cooler', keys: ['-'], group: 'Plan' },
  { id: 'next-tip', label: 'Next tip', keys: ['t'], group: 'Plan' },
  { id: 'warm', label: 'Warm the board, or not', keys: ['w'], group: 'Plan' },
  { id: 'flux', label: 'Flux, or dry', keys: ['f'], group: 'Plan' },
  { id: 'solder', label: 'Fresh solder, or none', keys: ['s'], group: 'Plan' },
  { id: 'choice', label: 'The plan’s own choice', keys: ['c'], group: 'Plan' },
  { id: 'low-and-long', label: 'Low and long', keys: ['l'], group: 'Plan' },
  { id: 'hot-and-quick', label: 'Hot and quick', keys: ['q'], group: 'Plan' },
  { id: 'next-pin', label: 'Other pin', keys: ['p'], group: 'Plan' },
  { id: 'hot-air', label: 'Try hot air instead', keys: ['h'], group: 'Plan' },
  { id: 'cancel', label: 'Stop computing', keys: ['Escape'], group: 'Plan' },
];
