/**
 * This screen's time, ms, by a clock that nobody sets: it began as the machine's own and only goes forward since. A
 * heat that is timed by it lasts as long as it lasts, whatever is done to the clock on the wall meanwhile.
 */
export const steadyNow_ms = (): number => performance.timeOrigin + performance.now();
