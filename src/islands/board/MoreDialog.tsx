import { useEffect } from 'react';
import { $tables } from '~/ui/keyboard/useCommands';
import { commandFor } from '~/ui/keyboard/command';
import { Button, KeyCap } from '~/ui/controls/Button';
import { Dialog } from '~/ui/controls/Dialog';
import { PAGE_COMMANDS, type PageCommand } from './commands';
import css from './openWork.module.css';

/** Where a board leads to, by a letter or a press. */
export function MoreDialog({
  isOpen,
  onClose,
  run,
}: {
  isOpen: boolean;
  onClose: () => void;
  run: (id: PageCommand) => boolean;
}) {
  useEffect(() => $tables.setKey('board-more', PAGE_COMMANDS), []);
  const choose = (id: PageCommand): void => {
    onClose();
    run(id);
  };
  return (
    <Dialog title="More" isOpen={isOpen} onClose={onClose}>
      <div
        className={css['form']}
        onKeyDown={(event) => {
          const command = commandFor(PAGE_COMMANDS, event);
          if (!command) return;
          event.preventDefault();
          choose(command.id);
        }}
      >
        {PAGE_COMMANDS.map(({ id, label, keys }, i) => (
          <Button key={id} autoFocus={i === 0} onClick={() => choose(id)}>
            {label} <KeyCap of={keys[0]!} />
          </Button>
        ))}
      </div>
    </Dialog>
  );
}
