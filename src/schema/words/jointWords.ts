/** When a joint is expected to melt, and when it is left alone whatever it did; seconds. */
export interface JointTimes {
  readonly p50_s: number | null;
  readonly p90_s: number | null;
  readonly stop_s: number;
}

/** "1.2 s", "82 s": to a tenth where a hand can tell it. */
const about = (time_s: number): string => `${time_s >= 20 ? Math.round(time_s) : time_s.toFixed(1)} s`;

/**
 * One joint in one line: "300 °C · molten by about 1.2 s, at worst 4.0 s · stop at 6.0 s". At worst is nine cases in ten;
 * where those reach past the stop, it says so.
 */
export function jointInWords(setpoint_C: number, times: JointTimes): string {
  return `${Math.round(setpoint_C)} °C · ${meltInWords(times)} · stop at ${about(times.stop_s)}`;
}

/** "molten by about 1.2 s, at worst 4.0 s". */
export function meltInWords({ p50_s, p90_s, stop_s }: JointTimes): string {
  if (p50_s === null || p50_s > stop_s) return 'not molten before its stop';
  const worst =
    p90_s === null || p90_s > stop_s ? 'at worst not before the stop' : `at worst ${about(p90_s)}`;
  return `molten by about ${about(Math.max(0, p50_s))}, ${worst}`;
}
