import { format } from 'date-fns';
import type { LedgerLine } from './ledger';
import css from './board.module.css';

/** What happened to a board, newest first. Times are local once the page is alive; the server does not know the zone. */
export function LedgerList({
  lines,
  ready,
}: {
  readonly lines: readonly LedgerLine[];
  readonly ready: boolean;
}) {
  return (
    <section aria-label="Ledger" className={css['ledger']}>
      <h2>Ledger</h2>
      {lines.length === 0 ? (
        <p className="quiet">Nothing has been done or found on this board yet.</p>
      ) : (
        <ol>
          {lines.map((line) => (
            <li key={line.key} data-kind={line.kind}>
              <time className="digits" dateTime={new Date(line.at_ms).toISOString()}>
                {ready
                  ? format(line.at_ms, 'd MMM yyyy HH:mm')
                  : new Date(line.at_ms).toISOString().slice(0, 16).replace('T', ' ')}
              </time>
              <span className="digits">{line.siteRef}</span>
              <span>
                {line.jobId && line.kind === 'job' ? (
                  <a href={`/jobs/${line.jobId}`}>{line.text}</a>
                ) : (
                  line.text
                )}
              </span>
              <span className="digits">{line.by}</span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
