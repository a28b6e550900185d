import type { Command } from '~/ui/keyboard/command';

export type PlanCommand =
  | 'hotter'
  | 'cooler'
  | 'next-tip'
  | 'more-flow'
  | 'less-flow'
  | 'nearer'
  | 'farther'
  | 'foil'
  | 'warm'
  | 'flux'
  | 'solder'
  | 'choice'
  | 'low-and-long'
  | 'hot-and-quick'
  | 'gentler'
  | 'quicker'
  | 'next-method'
  | 'next-goal'
  | 'other-phase'
  | 'next-pin'
  | 'why'
  | 'edit-steps'
  | 'hot-air'
  | 'cancel'
  | 'accept';

export const PLAN_COMMANDS: readonly Command<PlanCommand>[] = [
  { id: 'accept', label: 'Accept and run', keys: ['a'], group: 'Plan' },
  { id: 'next-goal', label: 'Next goal', keys: ['g'], group: 'Plan' },
  { id: 'next-method', label: 'Next method', keys: ['m'], group: 'Plan' },
  { id: 'other-phase', label: 'Removal or fitting', keys: ['r'], group: 'Plan' },
  { id: 'hotter', label: '10 °C hotter', keys: ['+', '='], group: 'Plan' },
  { id: 'cooler', label: '10 °C cooler', keys: ['-'], group: 'Plan' },
  { id: 'next-tip', label: 'Next tip or nozzle', keys: ['t'], group: 'Plan' },
  { id: 'more-flow', label: 'More air', keys: ['>'], group: 'Plan' },
  { id: 'less-flow', label: 'Less air', keys: ['<'], group: 'Plan' },
  { id: 'nearer', label: 'Nozzle nearer', keys: ['u'], group: 'Plan' },
  { id: 'farther', label: 'Nozzle farther off', keys: ['d'], group: 'Plan' },
  { id: 'warm', label: 'Warm the board, or not', keys: ['w'], group: 'Plan' },
  { id: 'foil', label: 'Foil on the neighbours, or none', keys: ['o'], group: 'Plan' },
  { id: 'flux', label: 'Flux, or dry', keys: ['f'], group: 'Plan' },
  { id: 'solder', label: 'Fresh solder, or none', keys: ['s'], group: 'Plan' },
  { id: 'choice', label: 'Recommended setting', keys: ['c'], group: 'Plan' },
  { id: 'gentler', label: 'Along the frontier, gentler', keys: ['['], group: 'Plan' },
  { id: 'quicker', label: 'Along the frontier, quicker', keys: [']'], group: 'Plan' },
  { id: 'low-and-long', label: 'Low and long', keys: ['l'], group: 'Plan' },
  { id: 'hot-and-quick', label: 'Hot and quick', keys: ['k'], group: 'Plan' },
  { id: 'next-pin', label: 'Other pin', keys: ['i'], group: 'Plan' },
  { id: 'why', label: 'Reasons of the steps', keys: ['y'], group: 'Plan' },
  { id: 'edit-steps', label: 'Change the steps', keys: ['e'], group: 'Plan' },
  { id: 'hot-air', label: 'Hot-air map', keys: ['h'], group: 'Plan' },
  { id: 'cancel', label: 'Stop computing', keys: ['Escape'], group: 'Plan' },
];

export const planCommand = (id: PlanCommand) => PLAN_COMMANDS.find((c) => c.id === id)!;
