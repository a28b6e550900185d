import { useEffect, useState } from 'react';
import { OUTCOMES, type Outcome } from '~/core/record/outcomes';
import { AWAITS, type Awaits, type RunEventBody } from '~/core/record/runEvents';
import { AWAITS_WORDS, OUTCOME_WORDS } from '~/schema/words/words';
import { Button } from '~/ui/controls/Button';
import { Segments, TextField } from '~/ui/controls/Field';
import { Dialog } from '~/ui/controls/Dialog';
import css from './run.module.css';

export type Closing = Pick<Extract<RunEventBody, { kind: 'closed' }>, 'cause' | 'awaits'> & {
  readonly outcome: Outcome;
};

/** What came of the job. Nothing is chosen beforehand: an outcome is said, not left standing. */
export function CloseDialog({
  isOpen,
  unfinished,
  onClose,
  onWrite,
}: {
  isOpen: boolean;
  unfinished: boolean;
  onClose: () => void;
  onWrite: (closing: Closing) => void;
}) {
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [cause, setCause] = useState('');
  const [awaits, setAwaits] = useState<Awaits | null>(null);
  const [what, setWhat] = useState('');
  useEffect(() => {
    if (!isOpen) return;
    setOutcome(null);
    setAwaits(null);
  }, [isOpen]);
  const parked = outcome === 'parked';
  const awaited = awaits !== null && what.trim() !== '' ? { awaits, what: what.trim() } : null;
  const ready = outcome !== null && (!parked || awaited !== null);
  return (
    <Dialog title="Close the job" isOpen={isOpen} onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!ready) return;
          onWrite({
            outcome,
            cause: cause.trim(),
            ...(parked && awaited ? { awaits: awaited } : {}),
          });
          onClose();
        }}
        className={css['dialogForm']}
      >
        {unfinished && (
          <p>
            Not every step is done. Whatever is left, a part in a tray or a land to mend, stays on the board’s
            open work.
          </p>
        )}
        <Segments
          label="Outcome"
          value={outcome}
          onChange={setOutcome}
          options={OUTCOMES.map((value) => ({ value, label: OUTCOME_WORDS[value] }))}
        />
        {parked && (
          <>
            <Segments
              label="Parked for"
              value={awaits}
              onChange={setAwaits}
              options={AWAITS.map((value) => ({ value, label: AWAITS_WORDS[value] }))}
            />
            <TextField
              label="What is awaited: the part, from where; whose answer; until when"
              maxLength={160}
              value={what}
              onChange={(event) => setWhat(event.target.value)}
            />
          </>
        )}
        <TextField
          label="Root cause, and what would cause it again"
          multiline
          maxLength={600}
          value={cause}
          onChange={(event) => setCause(event.target.value)}
        />
        <Button type="submit" look="primary" disabled={!ready}>
          {outcome === null ? 'Choose an outcome' : `Close as ${OUTCOME_WORDS[outcome]}`}
        </Button>
      </form>
    </Dialog>
  );
}
