import type { Command } from '~/ui/keyboard/command';

export type OutcomesCommand =
  'rates' | 'time' | 'held' | 'heat' | 'causes' | 'sort' | 'harm' | 'narrow' | 'list' | 'whole';

export const OUTCOMES_COMMANDS: readonly Command<OutcomesCommand>[] = [
  { id: 'rates', label: 'Rates', keys: ['r'], group: 'Outcomes' },
  { id: 'time', label: 'Over time', keys: ['o'], group: 'Outcomes' },
  { id: 'held', label: 'Foretold and seen', keys: ['f'], group: 'Outcomes' },
  { id: 'heat', label: 'Heat', keys: ['h'], group: 'Outcomes' },
  { id: 'causes', label: 'Causes and returns', keys: ['c'], group: 'Outcomes' },
  { id: 'harm', label: 'What went wrong, or was foretold', keys: ['w'], group: 'Outcomes' },
  { id: 'sort', label: 'Sorted by', keys: ['s'], group: 'Outcomes' },
  { id: 'narrow', label: 'Narrow to a group', keys: ['g'], group: 'Outcomes' },
  { id: 'whole', label: 'All jobs again', keys: ['x'], group: 'Outcomes' },
  { id: 'list', label: 'List these jobs', keys: ['l'], group: 'Outcomes' },
];

export type GentlerCommand = 'reckon' | 'cancel';

export const GENTLER_COMMANDS: readonly Command<GentlerCommand>[] = [
  { id: 'reckon', label: 'What gentler settings would have saved', keys: ['e'], group: 'Heat' },
  { id: 'cancel', label: 'Stop reckoning', keys: ['Escape'], group: 'Heat' },
];
