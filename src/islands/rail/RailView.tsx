import { useReady } from '~/ui/useReady';
import { useStore } from '@nanostores/react';
import { useEffect, useState } from 'react';
import type { Rail, RailLine } from '~/schema/sheets/rail';
import { clockText } from '~/ui/figures';
import { $railLines, $skew_ms, refreshRail, takeRail } from './railStore';
import css from './rail.module.css';

const REFRESH_ms = 5000;
const TICK_ms = 200;

/** Every board's running clock, nearest end first; a digit jumps to one. Clocks go on if the server is away. */
export function RailView({ first }: { first: Rail }) {
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
    setNow(Date.now() + skew_ms);
    if (!running) return;
    const tick = setInterval(() => setNow(Date.now() + $skew_ms.get()), TICK_ms);
    return () => clearInterval(tick);
  }, [running, skew_ms]);

  return (
    <div className={css['rail']} data-ready={ready || undefined}>
      <h2 className={css['title']}>Rail</h2>
      {away && <p className={css['away']}>No answer from the bench computer. Clocks go on.</p>}
      {lines.length === 0 && <p className={css['empty']}>No job under way.</p>}
      <ol>
        {lines.map((line, i) => (
          <Line key={line.jobId} line={line} place={i + 1} now_ms={now_ms} />
        ))}
      </ol>
    </div>
  );
}

function Line({ line, place, now_ms }: { line: RailLine; place: number; now_ms: number }) {
  const left_ms = line.clock ? line.clock.due_ms - now_ms : null;
  const over = left_ms !== null && left_ms <= 0;
  const heat = line.clock?.kind === 'heat';
  return (
    <li className={`${css['line']} ${over ? (heat ? css['late'] : css['ready']) : ''}`}>
      <a href={`/jobs/${line.jobId}`}>
        <span className={css['place']} aria-hidden="true">
          {place <= 9 ? place : ''}
        </span>
        <span className={css['what']}>
          <strong>{line.siteRef}</strong> {line.boardName}
        </span>
        <span className={css['step']}>{line.step}</span>
        {left_ms !== null && (
          <span className={css['clock']}>
            {clockText(Math.abs(left_ms))}
            <small>
              {over ? (heat ? 'past its stop' : 'since it ended') : heat ? 'to its stop' : 'left'}
            </small>
          </span>
        )}
      </a>
    </li>
  );
}
