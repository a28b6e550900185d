import { atom, onMount } from 'nanostores';
import type { InstrumentLine, Sample } from '~/schema/sheets/instruments';
import { LiveSeries } from '~/ui/live/liveSeries';
import { lastingLine } from './lastingLine';

/** The job that this page is of, whose further entries are told on the same line. */
let jobId: string | null = null;
export function lookAtJob(id: string): void {
  if (jobId === id) return;
  jobId = id;
  reopen?.();
}

/** Opens the line anew, of that job too; null while none is open. */
let reopen: (() => void) | null = null;

/** The last that was told of that job's record: up to which entry it goes. */
export const $jobAt = atom<{ readonly jobId: string; readonly seq: number } | null>(null);

/** Devices as they stand; empty until the server was heard. */
export const $instruments = atom<readonly InstrumentLine[]>([]);

/** Rises with every batch of readings: whoever draws them looks at the series then. */
export const $readings = atom(0);

const series = new Map<string, LiveSeries>();

/** What a channel read, the newest last; empty where it never did. */
export function seriesOf(instrument: string, channel: string): LiveSeries {
  const key = `${instrument} ${channel}`;
  const known = series.get(key) ?? new LiveSeries();
  series.set(key, known);
  return known;
}

interface Stands {
  readonly instruments: readonly InstrumentLine[];
}

function take(samples: readonly Sample[]): void {
  for (const { instrument, at_ms, v } of samples)
    for (const [channel, value] of Object.entries(v)) seriesOf(instrument, channel).add(at_ms, value);
  $readings.set($readings.get() + 1);
}

export const takeStands = ({ instruments }: Stands): void => $instruments.set(instruments);

/** One line to the server for as long as anyone looks; it comes back by itself, after the last reading that was heard. */
onMount($instruments, () => {
  if (typeof EventSource === 'undefined') return;
  let line: ReturnType<typeof lastingLine> | null = null;
  const open = (): void => {
    line?.close();
    line = lastingLine(jobId === null ? '/api/live' : `/api/live?job=${jobId}`, {
      job: (data) => $jobAt.set(data as { jobId: string; seq: number }),
      stands: (data) => takeStands(data as Stands),
      samples: (data) => take(data as Sample[]),
    });
  };
  const look = (): void => {
    // A page in the background holds no line: a browser has few of them.
    if (document.hidden) {
      line?.close();
      line = null;
    } else if (!line) open();
  };
  look();
  reopen = () => {
    if (line) open();
  };
  document.addEventListener('visibilitychange', look);
  return () => {
    document.removeEventListener('visibilitychange', look);
    line?.close();
    reopen = null;
  };
});
