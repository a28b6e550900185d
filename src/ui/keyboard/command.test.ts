import { describe, expect, it } from 'vitest';
import { BENCH_COMMANDS } from '~/islands/bench/commands';
import { BOARD_COMMANDS } from '~/islands/board/commands';
import { PLAN_COMMANDS } from '~/islands/plan/commands';
import { STATION_COMMANDS } from '~/islands/rail/commands';
import { RUN_COMMANDS } from '~/islands/run/commands';
import { commandFor, keyCap, keyConflicts, type Command } from './command';

const press = (key: string, held: Partial<{ ctrlKey: boolean; altKey: boolean; metaKey: boolean }> = {}) => ({
  key,
  ctrlKey: false,
  altKey: false,
  metaKey: false,
  ...held,
});

describe('keys', () => {
  it.each([
    ['bench', BENCH_COMMANDS],
    ['board', BOARD_COMMANDS],
    ['plan', PLAN_COMMANDS],
    ['run', RUN_COMMANDS],
  ] as [string, readonly Command[]][])(
    'of the %s do not conflict with each other or with those of every screen',
    (_name, commands) => {
      expect(keyConflicts([...STATION_COMMANDS, ...commands])).toEqual([]);
    },
  );

  it('a conflict is found and named', () => {
    const both: Command[] = [
      { id: 'a', label: 'A', keys: ['x'], group: '' },
      { id: 'b', label: 'B', keys: ['X'], group: '' },
    ];
    expect(keyConflicts(both)).toEqual(['X: a and b']);
  });

  it('match letters in either case, and leave chords to the browser', () => {
    expect(commandFor(RUN_COMMANDS, press('M'))?.id).toBe('melted');
    expect(commandFor(RUN_COMMANDS, press(' '))?.id).toBe('go');
    expect(commandFor(RUN_COMMANDS, press('m', { ctrlKey: true }))).toBeNull();
    expect(commandFor(RUN_COMMANDS, press('z'))).toBeNull();
  });

  it('every command has words, and its cap can be drawn', () => {
    for (const command of [
      ...STATION_COMMANDS,
      ...BENCH_COMMANDS,
      ...BOARD_COMMANDS,
      ...PLAN_COMMANDS,
      ...RUN_COMMANDS,
    ] as Command[]) {
      expect(command.label).not.toBe('');
      for (const key of command.keys) expect(keyCap(key)).not.toBe('');
    }
  });
});
