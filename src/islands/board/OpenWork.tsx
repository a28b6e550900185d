import { useState } from 'react';
import type { SettledItem, Settlement } from '~/core/record/openItem';
import { Button, ButtonLink } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { day } from '~/ui/dates';
import css from './openWork.module.css';

interface OpenWorkProps {
  readonly open: readonly SettledItem[];
  /** Nothing is changed on a board that is closed. */
  readonly closed: boolean;
  readonly onSettle: (item: SettledItem, as: Settlement['as'], reason: string) => void;
  readonly onSite: (siteId: string) => void;
  readonly onTested: () => void;
}

/** What this board is not done without, the next thing first; each is done, deferred with a reason, or accepted. */
export function OpenWork({ open, closed, onSettle, onSite, onTested }: OpenWorkProps) {
  const left = open.filter((item) => item.settled === null);
  const settled = open.filter((item) => item.settled !== null);
  if (open.length === 0) return null;
  return (
    <section className={css['work']} aria-label="Open work">
      <h2>
        {left.length === 0 ? 'Nothing open' : 'Open work'}{' '}
        {left.length > 0 && <span className={css['count']}>{left.length}</span>}
      </h2>
      <ul>
        {left.map((item) => (
          <Line
            key={item.key}
            item={item}
            closed={closed}
            onSettle={onSettle}
            onSite={onSite}
            onTested={onTested}
          />
        ))}
      </ul>
      {settled.length > 0 && (
        <details>
          <summary>{settled.length} deferred or accepted</summary>
          <ul>
            {settled.map(({ key, says, settled: s }) => (
              <li key={key} className={css['settled']}>
                {says}: {s!.as} by {s!.by}, {day(s!.at_ms)}. {s!.reason}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

type LineProps = Omit<OpenWorkProps, 'open'> & { readonly item: SettledItem };

function Line({ item, closed, onSettle, onSite, onTested }: LineProps) {
  const [as, setAs] = useState<Settlement['as'] | null>(null);
  const [reason, setReason] = useState('');
  const { siteId, jobId } = item;
  return (
    <li className={css['line']}>
      <span className={css['says']}>
        {siteId ? (
          <button type="button" className={css['pick']} onClick={() => onSite(siteId)}>
            {item.says}
          </button>
        ) : (
          item.says
        )}
      </span>
      {!closed && (
        <span className={css['ways']}>
          {(item.kind === 'job' || item.kind === 'half-off') && jobId !== null && (
            <ButtonLink small href={`/jobs/${jobId}`}>
              {item.kind === 'job' ? 'Go on' : 'Its job'}
            </ButtonLink>
          )}
          {(item.kind === 'part-off' || item.kind === 'half-off') && (
            <ButtonLink small href={`/sites/${siteId}/plan`}>
              Plan
            </ButtonLink>
          )}
          {item.kind === 'unverified' && (
            <ButtonLink small href={`/sites/${siteId}/check`}>
              Continuity
            </ButtonLink>
          )}
          {item.kind === 'untested' && (
            <Button small onClick={onTested}>
              It was tested
            </Button>
          )}
          {item.kind !== 'job' && (
            <>
              <Button small look="plain" pressed={as === 'deferred'} onClick={() => setAs('deferred')}>
                Defer
              </Button>
              <Button small look="plain" pressed={as === 'accepted'} onClick={() => setAs('accepted')}>
                Accept
              </Button>
            </>
          )}
        </span>
      )}
      {as !== null && (
        <form
          className={css['reason']}
          onSubmit={(event) => {
            event.preventDefault();
            if (!reason.trim()) return;
            onSettle(item, as, reason.trim());
            setAs(null);
          }}
        >
          <TextField
            label={as === 'deferred' ? 'Until when, or why not now' : 'Why it may stay as it is'}
            autoFocus
            maxLength={400}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && setAs(null)}
          />
          <Button type="submit" disabled={!reason.trim()}>
            {as === 'deferred' ? 'Defer it' : 'Accept it, in my name'}
          </Button>
        </form>
      )}
    </li>
  );
}
