import { useStore } from '@nanostores/react';
import { useEffect } from 'react';
import { KeyCap } from '~/ui/controls/Button';
import { Dialog } from '~/ui/controls/Dialog';
import type { Command } from '~/ui/keyboard/command';
import { $tables } from '~/ui/keyboard/useCommands';
import { $helpOpen } from './help';
import css from './rail.module.css';

/** Every key of this page, read from the same tables that the keys themselves are. */
export function HelpDialog() {
  const open = useStore($helpOpen);
  const tables = useStore($tables);
  useEffect(() => () => $helpOpen.set(false), []);
  const groups = new Map<string, Command[]>();
  for (const command of Object.values(tables).flat()) {
    if (command.keys.length === 0) continue;
    groups.set(command.group, [...(groups.get(command.group) ?? []), command]);
  }
  return (
    <Dialog title="Keys" back="Close" wide isOpen={open} onClose={() => $helpOpen.set(false)}>
      <div className={css['help']}>
        {[...groups].map(([group, commands]) => (
          <section key={group}>
            <h3>{group}</h3>
            <dl>
              {(group === 'Clocks' ? commands.slice(0, 1) : commands).map((command) => (
                <div key={command.id}>
                  <dt>
                    {group === 'Clocks' ? (
                      <>
                        <KeyCap of="1" /> – <KeyCap of="9" />
                      </>
                    ) : (
                      command.keys.map((key) => <KeyCap key={key} of={key} />)
                    )}
                  </dt>
                  <dd>{group === 'Clocks' ? 'Go to that clock' : command.label}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  );
}
