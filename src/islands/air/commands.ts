import type { Command } from '~/ui/keyboard/command';

export type AirCommand =
  | 'hotter'
  | 'cooler'
  | 'more-flow'
  | 'less-flow'
  | 'next-nozzle'
  | 'warm'
  | 'foil'
  | 'earlier'
  | 'later'
  | 'flip'
  | 'iron'
  | 'cancel';

export const AIR_COMMANDS: readonly Command<AirCommand>[] = [
  { id: 'hotter', label: '10 °C hotter', keys: ['+', '='], group: 'Hot air' },
  { id: 'cooler', label: '10 °C cooler', keys: ['-'], group: 'Hot air' },
  { id: 'more-flow', label: 'More air', keys: ['>'], group: 'Hot air' },
  { id: 'less-flow', label: 'Less air', keys: ['<'], group: 'Hot air' },
  { id: 'next-nozzle', label: 'Next nozzle', keys: ['t'], group: 'Hot air' },
  { id: 'warm', label: 'Warm from below, or not', keys: ['w'], group: 'Hot air' },
  { id: 'foil', label: 'Foil around the part, or none', keys: ['o'], group: 'Hot air' },
  { id: 'earlier', label: 'Earlier', keys: ['ArrowLeft'], group: 'Hot air' },
  { id: 'later', label: 'Later', keys: ['ArrowRight'], group: 'Hot air' },
  { id: 'flip', label: 'Turn the board over', keys: ['v'], group: 'Hot air' },
  { id: 'iron', label: 'Back to the plan', keys: ['h'], group: 'Hot air' },
  { id: 'cancel', label: 'Stop computing', keys: ['Escape'], group: 'Hot air' },
];
