import { useRef } from 'react';
import { Button } from '~/ui/controls/Button';
import { dayAndTime, stamp } from '~/ui/dates';
import { useDrawn } from '~/ui/list/useDrawn';
import type { LedgerLine } from './ledgerLine';
import css from './board.module.css';

/** So many lines are drawn with the page; older ones as the list is read on. */
const PAGES = { first: 30, further: 200 };

/** What happened to a board, newest first. A board of years has thousands of lines: they are drawn where they are looked for. */
export function LedgerList({ lines }: { readonly lines: readonly LedgerLine[] }) {
  const { drawn, end, all } = useDrawn(lines.length, PAGES);
  const list = useRef<HTMLOListElement>(null);
  return (
    <section aria-label="Ledger" className={css['ledger']}>
      <h2>Ledger</h2>
      {lines.length === 0 ? (
        <p className="quiet">Nothing has been done or found on this board yet.</p>
      ) : (
        <ol ref={list} tabIndex={-1}>
          {lines.slice(0, drawn).map((line) => (
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
      {lines.length > drawn && (
        <p ref={end} className={css['older']}>
          <Button
            onClick={() => {
              all();
              list.current!.focus({ preventScroll: true });
            }}
          >
            Show all {lines.length} lines
          </Button>
        </p>
      )}
    </section>
  );
}
