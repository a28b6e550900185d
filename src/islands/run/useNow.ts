import { useEffect, useMemo, useRef, useState } from 'react';
import { steadyNow_ms } from '~/ui/steadyNow';

const TICK_ms = 50;

/** The server's time on this screen. */
export interface Clock {
  /** As the page was drawn. */
  readonly first_ms: number;
  readonly read_ms: () => number;
  /** Something is under way: it is looked at all the time. */
  readonly runs: boolean;
}

export const useClock = (skew_ms: number, runs: boolean, first_ms: number): Clock =>
  useMemo(() => ({ first_ms, read_ms: () => steadyNow_ms() + skew_ms, runs }), [skew_ms, runs, first_ms]);

/**
 * What a clock says, as whoever shows it wants it: a component that uses this is drawn anew when that changes, and not with
 * every tick. Tenths of a second belong in a component of their own.
 */
export function useTick<Told extends string | number | boolean | null>(
  clock: Clock,
  tell: (now_ms: number) => Told,
): Told {
  const newest = useRef(tell);
  newest.current = tell;
  const [told, setTold] = useState(() => tell(clock.first_ms));
  // What it is told of may be another since the last tick.
  useEffect(() => setTold(newest.current(clock.read_ms())));
  useEffect(() => {
    if (!clock.runs) return;
    const timer = setInterval(() => setTold(newest.current(clock.read_ms())), TICK_ms);
    return () => clearInterval(timer);
  }, [clock]);
  return told;
}
