import { useEffect } from 'react';
import { CommandButton } from '~/ui/controls/Button';
import { useCommands } from '~/ui/keyboard/useCommands';
import { PRINT_COMMANDS } from './commands';

/** Prints a sheet that is otherwise no island: by its button, by its key, and in the help like any other. */
export function PrintButton({ of = '' }: { readonly of?: string }) {
  useEffect(() => {
    // A page's margin takes words from nothing but its styles.
    const words = `Ithermon · ${of}`.replace(/["\\\p{Cc}]/gu, ' ');
    if (of) document.documentElement.style.setProperty('--page-head', `"${words}"`);
  }, [of]);
  const run = (): boolean => {
    window.print();
    return true;
  };
  useCommands('print', PRINT_COMMANDS, run);
  return <CommandButton command={PRINT_COMMANDS[0]!} look="primary" run={run} />;
}
