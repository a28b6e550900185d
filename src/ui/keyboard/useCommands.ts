import { atom, map } from 'nanostores';
import { useEffect, useRef } from 'react';
import { commandFor, isClaimed, isTyping, type Command } from './command';

/** Tables of every island on the page, by name, for the help sheet. */
export const $tables = map<Record<string, readonly Command[]>>({});

/** Whether a dialog holds the keyboard. */
export const $dialogOpen = atom(false);

/**
 * Binds a table's keys while the component is mounted. `run` is asked whether it did anything; a
 * command that is not possible now leaves the key to the browser.
 */
export function useCommands<Id extends string>(
  name: string,
  commands: readonly Command<Id>[],
  run: (id: Id) => boolean,
  /** Whether a key that is held goes on and on. */
  { repeats = false }: { readonly repeats?: boolean } = {},
): void {
  const latest = useRef(run);
  latest.current = run;
  useEffect(() => {
    $tables.setKey(name, commands);
    const onKey = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || (event.repeat && !repeats) || $dialogOpen.get()) return;
      if (isTyping(event.target) || isClaimed(event.target, event.key)) return;
      const command = commandFor(commands, event);
      if (command && latest.current(command.id)) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [name, commands, repeats]);
}
