import { useReady } from '~/ui/useReady';
import { useStore } from '@nanostores/react';
import { useEffect, useState } from 'react';
import type { Rail, RailLine } from '~/schema/sheets/rail';
import { clockWords } from '~/ui/clockWords';
import { $railLines, $skew_ms, refreshRail, takeRail } from './railStore';
import css from './rail.module.css';
import { steadyNow_ms } from '~/ui/steadyNow';

const REFRESH_ms = 5000;
const TICK_ms = 200;

/** Every board's running clock, nearest end first; a digit jumps to one. Clocks go on if the server is away. */
export function RailView({
  first,
  own = null,
}: {
  first: Rail;
  /** The job of this very sheet, which shows its clock itself. */
  own?: string | null;
}) {
  const heard = useStore($railLines);
  const skew_ms = useStore($skew_ms);
  const ready = useReady();
  const [away, setAway] = useState(false);
  const [now_ms, setNow] = useState(first.now_ms);

  useEffect(() => {
    takeRail(first);
    const refresh = (): void => {
      if (document.hidden) return;
      refreshRail().then(
        () => setAway(false),
        () => setAway(true),
      );
    };
    const refreshing = setInterval(refresh, REFRESH_ms);
    document.addEventListener('visibilitychange', refresh);
    return () => {
      clearInterval(refreshing);
      document.removeEventListener('visibilitychange', refresh);
    };
  }, [first]);

  const lines = ready ? heard : first.lines;
  const running = lines.some((line) => line.clock);
  useEffect(() => {
    setNow(steadyNow_ms() + skew_ms);
    if (!running) return;
    const tick = setInterval(() => setNow(steadyNow_ms() + $skew_ms.get()), TICK_ms);
    return () => clearInterval(tick);
  }, [running, skew_ms]);

  return (
    <div className={css['rail']} data-ready={ready || undefined}>
      <h2 className={css['title']}>Clocks</h2>
      {away && <p className={css['away']}>No answer from the bench computer. Clocks go on.</p>}
      {lines.every((line) => line.jobId === own) && (
        <p className={css['empty']}>{own ? 'No other job under way.' : 'No job under way.'}</p>
      )}
      <ol>
        {lines.map((line, i) =>
          line.jobId === own ? null : <Line key={line.jobId} line={line} place={i + 1} now_ms={now_ms} />,
        )}
      </ol>
    </div>
  );
}

function Line({ line, place, now_ms }: { line: RailLine; place: number; now_ms: number }) {
  const clock = line.clock && clockWords(line.clock.kind, line.clock.due_ms - now_ms);
  return (
    <li className={css['line']} data-clock={clock?.state}>
      <a href={`/jobs/${line.jobId}`}>
        <span className={css['place']} aria-hidden="true">
          {place <= 9 ? place : ''}
        </span>
        <span className={css['what']}>
          <strong>{line.siteRef}</strong> {line.boardName}
        </span>
        {clock ? (
          <span className={css['clock']}>
            <span aria-hidden="true">{SHAPES[clock.state]}</span> {clock.figure} <small>{clock.says}</small>
          </span>
        ) : (
          <span />
        )}
        <span className={css['step']}>
          {clock?.allowed && <strong>{clock.allowed}. </strong>}
          {line.step}
        </span>
      </a>
    </li>
  );
}

/** A clock's state by shape as well as by colour and word. */
const SHAPES = { running: '◔', ended: '✓', late: '■' } as const;
