import { useEffect, useState } from 'react';
import { steadyNow_ms } from '~/ui/steadyNow';

const TICK_ms = 50;

/** The server's time on this screen, refreshed while something runs. */
export function useNow(skew_ms: number, running: boolean, first_ms: number): number {
  const [now_ms, setNow] = useState(first_ms);
  useEffect(() => {
    setNow(steadyNow_ms() + skew_ms);
    if (!running) return;
    const timer = setInterval(() => setNow(steadyNow_ms() + skew_ms), TICK_ms);
    return () => clearInterval(timer);
  }, [skew_ms, running]);
  return now_ms;
}
