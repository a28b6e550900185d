import { describe, expect, it } from 'vitest';
import { BOARD_COMMANDS, COPPER_COMMANDS } from '~/islands/board/commands';
import { MARKING_COMMANDS } from '~/islands/findings/commands';
import { STATION_COMMANDS } from '~/islands/rail/commands';
import { RUN_COMMANDS } from '~/islands/run/commands';
import { SHARED_KEYS } from './shared';
import { commandFor, keyCap, keyConflicts, type Command } from './command';

/** Every table of every view, by its name; a new view is looked at without being named here. */
const MODULES = import.meta.glob<Readonly<Record<string, unknown>>>('/src/islands/*/commands.ts', {
  eager: true,
});
const TABLES = Object.values(MODULES).flatMap((module) =>
  Object.entries(module).filter(
    (entry): entry is [string, readonly Command[]] =>
      entry[0] !== 'STATION_COMMANDS' && Array.isArray(entry[1]),
  ),
);

/** Modes in which letters write on the pads, drawing keys move a cross, or a list takes the keyboard: each says so on screen. */
const LETTER_MODES: ReadonlySet<string> = new Set([
  'MARKING_COMMANDS',
  'COPPER_COMMANDS',
  'DRAW_COMMANDS',
  'PAGE_COMMANDS',
]);

const press = (key: string, held: Partial<{ ctrlKey: boolean; altKey: boolean; metaKey: boolean }> = {}) => ({
  key,
  ctrlKey: false,
  altKey: false,
  metaKey: false,
  ...held,
});

describe('keys', () => {
  it('are looked for in every view', () => {
    expect(TABLES.length).toBeGreaterThanOrEqual(12);
    expect(TABLES.map(([name]) => name)).toContain('AIR_COMMANDS');
  });

  it.each(TABLES)(
    'of %s do not conflict with each other or with those of every screen',
    (_name, commands) => {
      expect(keyConflicts([...STATION_COMMANDS, ...commands])).toEqual([]);
    },
  );

  // A letter that marks a finding on one screen and commands on the same would write a lie when the mode is mistaken.
  it.each([
    ['running a job, findings', RUN_COMMANDS, MARKING_COMMANDS],
    ['a board, findings', BOARD_COMMANDS, MARKING_COMMANDS],
    ['a board, copper', BOARD_COMMANDS, COPPER_COMMANDS],
  ])('letters on the lands are none of the screen’s own: %s', (_screen, commands, letters) => {
    expect(keyConflicts([...STATION_COMMANDS, ...commands, ...letters])).toEqual([]);
  });

  // Rule broken: findings, Tab walk (look), flip was V on the board and X under air, more air M there and > on the plan.
  const everywhere = [['STATION_COMMANDS', STATION_COMMANDS] as const, ...TABLES].filter(
    ([name]) => !LETTER_MODES.has(name),
  );
  it.each(everywhere)(
    '%s: what several screens can do has the same key on all of them',
    (_name, commands) => {
      for (const { keys, ids } of SHARED_KEYS)
        for (const command of commands.filter((c) => ids.includes(c.id))) expect(command.keys).toEqual(keys);
    },
  );

  it.each(everywhere)('%s: no such key means anything else', (_name, commands) => {
    for (const { keys, ids } of SHARED_KEYS) {
      const others = commands.filter((c) => c.keys.some((key) => keys.includes(key)) && !ids.includes(c.id));
      expect(others.map((c) => `${keys.join(' ')}: ${c.label}`)).toEqual([]);
    }
  });

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
    expect(commandFor(RUN_COMMANDS, press('j'))).toBeNull();
  });

  it('every command has words, and its cap can be drawn', () => {
    for (const command of [...STATION_COMMANDS, ...TABLES.flatMap(([, commands]) => commands)]) {
      expect(command.label).not.toBe('');
      for (const key of command.keys) expect(keyCap(key)).not.toBe('');
    }
  });
});
