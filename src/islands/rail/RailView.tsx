import { useReady } from '~/ui/useReady';
import { useStore } from '@nanostores/react';
import { useEffect, useRef, useState } from 'react';
import type { Rail, RailLine } from '~/schema/sheets/rail';
import { clockWords } from '~/ui/clockWords';
import { soundWindow } from '~/ui/sounds';
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

  useEndSounds(lines, own, now_ms);
  return (
    <div className={css['rail']} data-ready={ready || undefined}>
      <h2 className={css['title']}>Clocks</h2>
      {away && <p className={css['away']}>No answer from the bench computer. Clocks go on.</p>}
      {lines.every((line) => line.jobId !== null && line.jobId === own) && (
        <p className={css['empty']}>{own ? 'No other job under way.' : 'No job under way, no clock runs.'}</p>
      )}
      <ol>
        {lines.map((line, i) =>
          line.jobId !== null && line.jobId === own ? null : (
            <Line key={line.key} line={line} place={i + 1} now_ms={now_ms} />
          ),
        )}
      </ol>
    </div>
  );
}

/** A wait that runs down sounds on whichever screen is open, once; a job's own page sounds for itself. */
function useEndSounds(lines: readonly RailLine[], own: string | null, now_ms: number): void {
  const running = useRef<ReadonlySet<string>>(new Set());
  useEffect(() => {
    const waits = lines.filter((l) => l.clock?.kind === 'wait' && (l.jobId === null || l.jobId !== own));
    if (waits.some((l) => l.clock!.due_ms <= now_ms && running.current.has(nameOf(l)))) soundWindow();
    running.current = new Set(waits.filter((l) => l.clock!.due_ms > now_ms).map(nameOf));
  }, [lines, own, now_ms]);
}

/** A line of the same job at a later wait is another clock. */
const nameOf = ({ key, clock }: RailLine): string => `${key} ${clock?.started_ms}`;

function Line({ line, place, now_ms }: { line: RailLine; place: number; now_ms: number }) {
  const clock = line.clock && clockWords(line.clock.kind, line.clock.due_ms - now_ms);
  return (
    <li className={css['line']} data-clock={clock?.state}>
      <a href={line.href}>
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
          {clock?.allowed && <strong>{line.then || clock.allowed}. </strong>}
          {line.step}
        </span>
      </a>
    </li>
  );
}

/** A clock's state by shape as well as by colour and word. */
const SHAPES = { running: '◔', ended: '✓', late: '■' } as const;
