import { useState } from 'react';
import { OUTCOMES, type Outcome } from '~/core/record/outcomes';
import { Button } from '~/ui/controls/Button';
import { Segments, TextField } from '~/ui/controls/Field';
import { Dialog } from '~/ui/controls/Dialog';

/** What came of the job. */
export function CloseDialog({
  isOpen,
  unfinished,
  onClose,
  onWrite,
}: {
  isOpen: boolean;
  unfinished: boolean;
  onClose: () => void;
  onWrite: (outcome: Outcome, cause: string) => void;
}) {
  const [outcome, setOutcome] = useState<Outcome>('fixed');
  const [cause, setCause] = useState('');
  return (
    <Dialog title="Close the job" isOpen={isOpen} onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onWrite(outcome, cause.trim());
          onClose();
        }}
        style={{ display: 'grid', gap: 16 }}
      >
        {unfinished && <p>Not every step is done. The record will show where the job was closed.</p>}
        <Segments
          label="Outcome"
          value={outcome}
          onChange={setOutcome}
          options={OUTCOMES.map((value) => ({ value, label: value }))}
        />
        <TextField
          label="Root cause, and what would cause it again"
          multiline
          maxLength={600}
          value={cause}
          onChange={(event) => setCause(event.target.value)}
        />
        <Button type="submit" look="primary">
          Close as {outcome}
        </Button>
      </form>
    </Dialog>
  );
}
