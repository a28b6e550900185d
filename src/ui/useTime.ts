import { useEffect, useState } from 'react';
import { steadyNow_ms } from './steadyNow';

const TICK_ms = 1000;

/** The time, told every second while it is asked for; null until the page is alive. */
export function useTime_ms(told: boolean, skew_ms = 0): number | null {
  const [now_ms, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tell = (): void => setNow(steadyNow_ms() + skew_ms);
    tell();
    if (!told) return;
    const tick = setInterval(tell, TICK_ms);
    return () => clearInterval(tick);
  }, [told, skew_ms]);
  return now_ms;
}
