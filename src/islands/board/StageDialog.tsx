import { useEffect, useState } from 'react';
import type { BoardEntryBody } from '~/core/record/boardEntries';
import type { SettledItem } from '~/core/record/openItem';
import type { Outcome } from '~/core/record/outcomes';
import { AWAITS, type Awaits } from '~/core/record/runEvents';
import { AWAITS_WORDS, OUTCOME_WORDS } from '~/schema/words/words';
import { Button } from '~/ui/controls/Button';
import { Dialog } from '~/ui/controls/Dialog';
import { Segments, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import css from './openWork.module.css';

/** What is being said of a board as a whole. */
export type StageAsked = 'hand-back' | 'park' | 'scrap' | 'reopen' | 'tested';

const TITLES: Readonly<Record<StageAsked, string>> = {
  'hand-back': 'Hand the board back',
  park: 'Park the board',
  scrap: 'Scrap the board',
  reopen: 'Open the board again',
  tested: 'The board was tested',
};

const HANDED: readonly Outcome[] = ['fixed', 'improved', 'unchanged', 'worse'];

/** Hands a board back, parks it, scraps it, opens it again, or says that it was tested. Nothing is chosen beforehand. */
export function StageDialog({
  asked,
  open,
  error,
  onClose,
  onEnter,
}: {
  asked: StageAsked | null;
  open: readonly SettledItem[];
  error: unknown;
  onClose: () => void;
  onEnter: (body: BoardEntryBody) => void;
}) {
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [awaits, setAwaits] = useState<Awaits | null>(null);
  const [passed, setPassed] = useState<'yes' | 'no' | null>(null);
  const [text, setText] = useState('');
  const [due, setDue] = useState('');
  useEffect(() => {
    setOutcome(null);
    setAwaits(null);
    setPassed(null);
    setText('');
    setDue('');
  }, [asked]);
  const left = open.filter((item) => item.settled === null);
  const words = text.trim();
  const body = ((): BoardEntryBody | null => {
    switch (asked) {
      case 'hand-back':
        return outcome && left.length === 0 ? { kind: 'handed-back', outcome, cause: words } : null;
      case 'park':
        return awaits && words
          ? { kind: 'parked', awaits, what: words, due_ms: due ? new Date(`${due}T12:00`).getTime() : null }
          : null;
      case 'scrap':
        return words ? { kind: 'scrapped', cause: words } : null;
      case 'reopen':
        return words ? { kind: 'reopened', reason: words } : null;
      case 'tested':
        return words && passed ? { kind: 'tested', how: words, passed: passed === 'yes' } : null;
      case null:
        return null;
    }
  })();
  return (
    <Dialog title={asked ? TITLES[asked] : ''} isOpen={asked !== null} onClose={onClose}>
      <form
        className={css['form']}
        onSubmit={(event) => {
          event.preventDefault();
          if (body) onEnter(body);
        }}
      >
        <ErrorNote error={error} />
        {(asked === 'hand-back' || asked === 'scrap') && left.length > 0 && (
          <div>
            <p>
              {asked === 'hand-back'
                ? 'Still open. Each is done, deferred with a reason, or accepted by name first:'
                : 'Given up with the board:'}
            </p>
            <ul className={css['left']}>
              {left.map((item) => (
                <li key={item.key}>{item.says}</li>
              ))}
            </ul>
          </div>
        )}
        {asked === 'hand-back' && left.length === 0 && (
          <Segments
            label="Outcome"
            value={outcome}
            onChange={setOutcome}
            options={HANDED.map((value) => ({ value, label: OUTCOME_WORDS[value] }))}
          />
        )}
        {asked === 'park' && (
          <Segments
            label="It waits for"
            value={awaits}
            onChange={setAwaits}
            options={AWAITS.map((value) => ({ value, label: AWAITS_WORDS[value] }))}
          />
        )}
        {asked === 'tested' && (
          <Segments
            label="It worked"
            value={passed}
            onChange={setPassed}
            options={[
              { value: 'yes', label: 'every time' },
              { value: 'no', label: 'not every time' },
            ]}
          />
        )}
        {!(asked === 'hand-back' && left.length > 0) && (
          <TextField
            label={LABELS[asked ?? 'tested']}
            maxLength={asked === 'park' ? 160 : 400}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        )}
        {asked === 'park' && (
          <TextField
            label="Expected on, where it is known"
            type="date"
            value={due}
            onChange={(event) => setDue(event.target.value)}
          />
        )}
        <Button type="submit" look="primary" disabled={body === null}>
          {asked ? TITLES[asked] : ''}
        </Button>
      </form>
    </Dialog>
  );
}

const LABELS: Readonly<Record<StageAsked, string>> = {
  'hand-back': 'Root cause, and what would bring it back',
  park: 'What is awaited: the part, from where; whose answer; until when',
  scrap: 'Why it cannot be saved',
  reopen: 'Why it is taken up again',
  tested: 'How: bare or closed up, cold or warm, how often, which supply',
};
