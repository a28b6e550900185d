import { useEffect, useState, type KeyboardEvent } from 'react';
import { OUTCOMES, type Outcome } from '~/core/record/outcomes';
import { ROOT_CAUSE_IDS, ROOT_CAUSES, type RootCauseId } from '~/core/record/rootCauses';
import { AWAITS, type Awaits, type RunEventBody } from '~/core/record/runEvents';
import { AWAITS_WORDS, OUTCOME_WORDS } from '~/schema/words/words';
import { Button, KeyCap } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { Dialog } from '~/ui/controls/Dialog';
import { isTextField } from '~/ui/keyboard/command';
import css from './run.module.css';

/** A letter chooses an outcome while nothing is typed. */
const LETTERS: Readonly<Record<Outcome, string>> = {
  fixed: 'f',
  improved: 'i',
  'part-done': 'p',
  unchanged: 'u',
  worse: 'w',
  scrapped: 's',
  parked: 'k',
};

export type Closing = Pick<
  Extract<RunEventBody, { kind: 'closed' }>,
  'cause' | 'rootCause' | 'awaits' | 'acceptedWithout'
> & {
  readonly outcome: Outcome;
};

/** What came of the job. Nothing is chosen beforehand: an outcome is said, not left standing. */
export function CloseDialog({
  isOpen,
  unfinished,
  missing,
  removal,
  onClose,
  onWrite,
}: {
  isOpen: boolean;
  unfinished: boolean;
  /** What the plan asks to be looked at before it is called fixed, and was not. */
  missing: readonly string[];
  /** The job takes a part off and puts none on: the board is left open. */
  removal: boolean;
  onClose: () => void;
  onWrite: (closing: Closing) => void;
}) {
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [cause, setCause] = useState('');
  const [rootCause, setRootCause] = useState<RootCauseId | ''>('');
  const [awaits, setAwaits] = useState<Awaits | null>(null);
  const [what, setWhat] = useState('');
  const [without, setWithout] = useState('');
  useEffect(() => {
    if (!isOpen) return;
    setOutcome(null);
    setAwaits(null);
  }, [isOpen]);
  const parked = outcome === 'parked';
  const awaited = awaits !== null && what.trim() !== '' ? { awaits, what: what.trim() } : null;
  const unproven = outcome === 'fixed' && missing.length > 0;
  const ready = outcome !== null && (!parked || awaited !== null) && (!unproven || without.trim() !== '');
  const offered = removal ? (['part-done', ...OUTCOMES.filter((o) => o !== 'part-done')] as const) : OUTCOMES;
  const wordsOf = (value: Outcome): string =>
    removal && value === 'part-done' ? 'part off, board open' : OUTCOME_WORDS[value];
  const byLetter = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.altKey || event.metaKey || isTextField(event.target)) return;
    const named = offered.find((value) => LETTERS[value] === event.key.toLowerCase());
    if (named) setOutcome(named);
  };
  return (
    <Dialog title="Close the job" back="Back to the job" isOpen={isOpen} onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!ready) return;
          onWrite({
            outcome,
            cause: cause.trim(),
            ...(rootCause ? { rootCause } : {}),
            ...(parked && awaited ? { awaits: awaited } : {}),
            ...(unproven ? { acceptedWithout: without.trim() } : {}),
          });
          onClose();
        }}
        onKeyDown={byLetter}
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
          options={offered.map((value) => ({
            value,
            label: (
              <>
                {wordsOf(value)} <KeyCap of={LETTERS[value]} />
              </>
            ),
          }))}
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
        {unproven && (
          <>
            <p>Not done yet: {missing.join(', ')}.</p>
            <TextField
              label="Why it is fixed without; it stays in the record"
              maxLength={200}
              value={without}
              onChange={(event) => setWithout(event.target.value)}
            />
          </>
        )}
        <SelectField
          label="What it came from"
          value={rootCause}
          onChange={setRootCause}
          options={[
            { value: '', label: 'not said' },
            ...ROOT_CAUSE_IDS.map((value) => ({ value, label: ROOT_CAUSES[value] })),
          ]}
        />
        <TextField
          label="Root cause, and what would bring it back"
          multiline
          maxLength={600}
          value={cause}
          onChange={(event) => setCause(event.target.value)}
        />
        <Button type="submit" look="primary" disabled={!ready}>
          {outcome === null ? 'Choose an outcome' : `Close as ${wordsOf(outcome)}`}
        </Button>
      </form>
    </Dialog>
  );
}
