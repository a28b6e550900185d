import { useEffect, useRef, useState } from 'react';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import css from './run.module.css';

/** What is said most when a clock is ended before its time, by what it waits for; anything else is written. */
const REASONS = {
  dry: ['Cool and dry: felt and seen', 'Warm air helped it along', 'Nothing is powered before it ends'],
  cool: ['Cool: measured', 'Cool: felt, and nothing moved'],
  warm: ['Warm enough: measured', 'Warm from the joint before'],
  other: ['Measured, and it is enough'],
} as const;

/** What a waiting step waits for; the second half of a job names its steps with its own name before. */
function waitedFor(stepId: string): keyof typeof REASONS {
  if (/(^|-)dry$/.test(stepId)) return 'dry';
  if (/(^|-)cool/.test(stepId)) return 'cool';
  return /(^|-)preheat$/.test(stepId) ? 'warm' : 'other';
}

/** A clock that is ended before its time: why is said, with one press where it is the usual. */
export function EarlyEnd({
  stepId,
  onEnd,
}: {
  readonly stepId: string;
  readonly onEnd: (reason: string) => void;
}) {
  const first = useRef<HTMLDivElement>(null);
  const [other, setOther] = useState('');
  useEffect(() => first.current?.querySelector('button')?.focus(), []);
  return (
    <section className={css['override']} aria-label="Why it ends early">
      <p className={css['stopWords']}>The clock has not ended. Why does it end early? The record says it.</p>
      <div className={css['buttons']} ref={first}>
        {REASONS[waitedFor(stepId)].map((reason) => (
          <Button key={reason} onClick={() => onEnd(reason)}>
            {reason}
          </Button>
        ))}
      </div>
      <form
        className={css['override']}
        onSubmit={(event) => {
          event.preventDefault();
          if (other.trim()) onEnd(other.trim());
        }}
      >
        <TextField
          label="Another reason"
          maxLength={200}
          value={other}
          onChange={(event) => setOther(event.target.value)}
        />
        <Button type="submit" disabled={!other.trim()}>
          End it
        </Button>
      </form>
    </section>
  );
}
