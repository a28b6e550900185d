import { useEffect } from 'react';

/** Keeps the screen from sleeping while a job is run, where the browser can; it is asked again when the page is seen again. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const ask = (): void => {
      if (document.hidden) return;
      navigator.wakeLock.request('screen').then(
        (got) => {
          if (over) void got.release();
          else lock = got;
        },
        // A battery that runs low may say no.
        () => undefined,
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [wanted]);
}
