import { useState } from 'react';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { Dialog } from '~/ui/controls/Dialog';
import css from './run.module.css';

/** A line in the record, in the technician's own words; what was begun is still there when it is opened again. */
export function NoteDialog({
  isOpen,
  onClose,
  onWrite,
}: {
  isOpen: boolean;
  onClose: () => void;
  onWrite: (text: string) => void;
}) {
  const [text, setText] = useState('');
  const submit = (): void => {
    if (!text.trim()) return;
    onWrite(text.trim());
    setText('');
    onClose();
  };
  return (
    <Dialog title="Note" isOpen={isOpen} onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
        className={css['noteForm']}
      >
        <TextField
          label="What you saw or measured"
          autoFocus
          maxLength={600}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Button type="submit" look="primary" disabled={!text.trim()}>
          Write it down
        </Button>
      </form>
    </Dialog>
  );
}
