import { useState } from 'react';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import css from './run.module.css';

/** Past a gate on someone's word: why is asked, and it stays on the board's open work. */
export function PassAnyway({
  why,
  onPass,
}: {
  /** What is asked for, such as "Why the part comes off all the same". */
  why: string;
  onPass: (reason: string) => void;
}) {
  const [reason, setReason] = useState<string | null>(null);
  return (
    <div className={css['override']}>
      <Button look="plain" pressed={reason !== null} onClick={() => setReason(reason === null ? '' : null)}>
        Go on all the same
      </Button>
      {reason !== null && (
        <form
          className={css['override']}
          onSubmit={(event) => {
            event.preventDefault();
            if (reason.trim()) onPass(reason.trim());
          }}
        >
          <TextField
            label={`${why}; it stays on the board’s open work`}
            autoFocus
            maxLength={200}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <Button type="submit" disabled={!reason.trim()}>
            Pass the gate
          </Button>
        </form>
      )}
    </div>
  );
}
