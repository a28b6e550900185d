import type { Sample } from '~/schema/sheets/instruments';
import type { TellEvent } from '~/server/http/eventStream';
import type { InstrumentHub } from '~/server/instruments/hub';
import { onJobMoved } from './moves';

/** Readings are gathered for so long and told together. */
const TOGETHER_ms = 100;
/** A screen that comes new sees a minute of what was. */
const FIRST_ms = 60_000;

/**
 * Tells a screen how devices stand, whenever that changes, readings as they come, after the last that it heard, and of each
 * further entry of the job that it looks at.
 */
export function liveEvents(
  {
    hub,
    heard,
    jobId,
  }: { readonly hub: InstrumentHub; readonly heard: number; readonly jobId: string | null },
  tell: TellEvent,
): () => void {
  const deaf = jobId === null ? () => undefined : onJobMoved(jobId, (seq) => tell('job', { jobId, seq }));
  let gathered: Sample[] = [];
  let timer: ReturnType<typeof setTimeout> | null = null;
  let stands = false;
  const flush = (): void => {
    timer = null;
    if (stands) tell('stands', { instruments: hub.list(), now_ms: Date.now() });
    stands = false;
    if (gathered.length > 0) tell('samples', gathered, gathered.at(-1)!.n);
    gathered = [];
  };
  const soon = (): void => {
    timer ??= setTimeout(flush, TOGETHER_ms);
  };
  const before = Number.isFinite(heard)
    ? hub.since(heard)
    : hub.since(0).filter(({ at_ms }) => at_ms > Date.now() - FIRST_ms);
  stands = true;
  gathered = [...before];
  flush();
  const stop = hub.hear({
    samples: (samples) => {
      gathered.push(...samples);
      soon();
    },
    changed: () => {
      stands = true;
      soon();
    },
  });
  return () => {
    stop();
    deaf();
    if (timer) clearTimeout(timer);
  };
}
