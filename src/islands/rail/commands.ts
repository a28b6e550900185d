import type { Command } from '~/ui/keyboard/command';

export type StationCommand =
  | 'board'
  | 'help'
  | 'theme'
  | 'mute'
  | 'bench'
  | 'rig'
  | 'parts'
  | 'outcomes'
  | 'initials'
  | `clock-${number}`;

/** What a sheet that prints can do. */
export const PRINT_COMMANDS: readonly Command<'print'>[] = [
  { id: 'print', label: 'Print', keys: ['p'], group: 'This sheet' },
];

/** What every screen can do, whatever it shows. Digits jump to the clocks on the rail. */
export const STATION_COMMANDS: readonly Command<StationCommand>[] = [
  { id: 'help', label: 'Keys', keys: ['?'], group: 'Everywhere' },
  { id: 'theme', label: 'Daylight or dark screen', keys: ['\\'], group: 'Everywhere' },
  { id: 'mute', label: 'Sounds on or off', keys: ['"'], group: 'Everywhere' },
  { id: 'board', label: 'To the board', keys: ['Backspace'], group: 'Everywhere' },
  { id: 'bench', label: 'Bench', keys: ['Home'], group: 'Everywhere' },
  { id: 'rig', label: 'Rig', keys: ['End'], group: 'Everywhere' },
  { id: 'parts', label: 'Parts', keys: ['Insert'], group: 'Everywhere' },
  { id: 'outcomes', label: 'Outcomes', keys: ['%'], group: 'Everywhere' },
  { id: 'initials', label: 'Initials, or signing out', keys: ['@'], group: 'Everywhere' },
  ...Array.from({ length: 9 }, (_, i) => ({
    id: `clock-${i + 1}` as const,
    label: `Go to clock ${i + 1} `,
    keys: [String(i + 1)],
    group: 'Clocks',
  })),
];
