import { dayAndTime, stamp } from '~/ui/dates';
import type { LedgerLine } from './ledgerLine';
import css from './board.module.css';

/** What happened to a board, newest first. */
export function LedgerList({ lines }: { readonly lines: readonly LedgerLine[] }) {
  return (
    <section aria-label="Ledger" className={css['ledger']}>
      <h2>Ledger</h2>
      {lines.length === 0 ? (
        <p className="quiet">Nothing has been done or found on this board yet.</p>
      ) : (
        <ol>
          {lines.map((line) => (
            <li key={line.key} data-kind={line.kind} data-struck={line.struck}>
              <time className="digits" dateTime={stamp(line.at_ms)}>
                {dayAndTime(line.at_ms)}
              </time>
              <span className="digits">{line.siteRef}</span>
              <span>
                {line.letter && (
                  <b className="digits" aria-hidden="true">
                    {line.letter}
                  </b>
                )}
                {line.jobId && line.kind === 'job' ? (
                  <a href={`/jobs/${line.jobId}`}>{line.text}</a>
                ) : line.struck ? (
                  <del>{line.text}</del>
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
