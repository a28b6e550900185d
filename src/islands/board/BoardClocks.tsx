import { useStore } from '@nanostores/react';
import { useState } from 'react';
import { CLOCKS, type BoardClock } from '~/core/record/boardClock';
import { clockInWords, type BoardEntryBody } from '~/core/record/boardEntries';
import { $skew_ms } from '~/islands/rail/railStore';
import { clockWords } from '~/ui/clockWords';
import { Button, ButtonLink } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { useTime_ms } from '~/ui/useTime';
import css from './openWork.module.css';

const MINUTE_ms = 60_000;

interface BoardClocksProps {
  readonly clocks: readonly BoardClock[];
  readonly closed: boolean;
  /** Jobs under way: a wait that one stands in is ended by going on with it. */
  readonly running: ReadonlySet<string>;
  readonly refOf: (siteId: string) => string;
  readonly onEnter: (body: BoardEntryBody) => void;
  readonly onStart: () => void;
}

/** What this board is given time for: each ends by itself, is given longer, or is ended early with a reason. */
export function BoardClocks({ clocks, closed, running: jobs, refOf, onEnter, onStart }: BoardClocksProps) {
  const running = clocks.filter((c) => c.ended_ms === null).sort((a, b) => a.due_ms - b.due_ms);
  const now_ms = useTime_ms(running.length > 0, useStore($skew_ms));
  return (
    <section className={css['work']} id="clocks" aria-label="Clocks of this board">
      <h2>
        Clocks {running.length > 0 && <span className={css['count']}>{running.length}</span>}{' '}
        {!closed && (
          <Button small onClick={onStart}>
            Start a clock
          </Button>
        )}
      </h2>
      {running.length > 0 && (
        <ul>
          {running.map((clock) => (
            <Line
              key={clock.id}
              clock={clock}
              ref_={clock.siteId === null ? '' : refOf(clock.siteId)}
              inJob={clock.jobId !== null && jobs.has(clock.jobId)}
              now_ms={now_ms}
              onEnter={onEnter}
            />
          ))}
        </ul>
      )}
    </section>
  );
}

type Change = 'longer' | 'end';

function Line({
  clock,
  ref_,
  inJob,
  now_ms,
  onEnter,
}: {
  clock: BoardClock;
  ref_: string;
  inJob: boolean;
  now_ms: number | null;
  onEnter: BoardClocksProps['onEnter'];
}) {
  const [change, setChange] = useState<Change | null>(null);
  const [reason, setReason] = useState('');
  const [minutes, setMinutes] = useState('10');
  const { kind, id, due_ms, jobId } = clock;
  const { then, gates } = CLOCKS[kind];
  const left = now_ms === null ? null : clockWords('wait', due_ms - now_ms);
  const over = left?.state === 'ended';
  const longer_min = Number(minutes);
  const able = change === 'end' ? reason.trim() !== '' : reason.trim() !== '' && longer_min > 0;
  return (
    <li className={css['line']}>
      <span className={css['says']}>
        <strong>{clockInWords({ kind, what: clock.what || ref_ })}</strong>{' '}
        {left && (
          <span className={css['figure']}>
            {left.figure} {left.says}
          </span>
        )}
        .{' '}
        {over
          ? `${then}.`
          : gates === 'power'
            ? 'No power before it ends.'
            : gates === 'hand-back'
              ? 'Not handed back before it ends.'
              : ''}
      </span>
      <span className={css['ways']}>
        {jobId !== null && (
          <ButtonLink small href={`/jobs/${jobId}`}>
            Its job
          </ButtonLink>
        )}
        <Button small look="plain" pressed={change === 'longer'} onClick={() => setChange('longer')}>
          Longer
        </Button>
        {over && !inJob ? (
          <Button
            small
            look="primary"
            onClick={() => onEnter({ kind: 'clock-ended', clockId: id, reason: '' })}
          >
            Seen
          </Button>
        ) : (
          !over && (
            <Button small look="plain" pressed={change === 'end'} onClick={() => setChange('end')}>
              End early
            </Button>
          )
        )}
      </span>
      {change !== null && (
        <form
          className={css['reason']}
          onSubmit={(event) => {
            event.preventDefault();
            if (!able || now_ms === null) return;
            const why = reason.trim();
            const from_ms = Math.max(now_ms, due_ms);
            if (change === 'longer')
              onEnter({
                kind: 'clock-moved',
                clockId: id,
                due_ms: Math.round(from_ms + longer_min * MINUTE_ms),
                reason: why,
              });
            // A wait that a job stands in ends now and the job goes on from it.
            else if (inJob)
              onEnter({ kind: 'clock-moved', clockId: id, due_ms: Math.round(now_ms), reason: why });
            else onEnter({ kind: 'clock-ended', clockId: id, reason: why });
            setChange(null);
            setReason('');
          }}
        >
          {change === 'longer' && (
            <TextField
              label="Longer by, min"
              type="number"
              min={1}
              max={10_000}
              value={minutes}
              onChange={(event) => setMinutes(event.target.value)}
            />
          )}
          <TextField
            label={change === 'longer' ? 'Why it is given longer' : 'Why it is ended early'}
            autoFocus
            maxLength={400}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && setChange(null)}
          />
          <Button type="submit" disabled={!able}>
            {change === 'longer' ? 'Give it longer' : 'End it'}
          </Button>
        </form>
      )}
    </li>
  );
}
