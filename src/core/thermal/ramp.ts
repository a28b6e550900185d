/** A body's ramp is read over this long, as a logger reads it: shorter is noise of the sensor, longer hides a shock. */
const RAMP_WINDOW_s = 1;

/** Sums of steps are not exact. */
const ROUNDING_s = 1e-9;

/**
 * Steepest mean rise over the shortest span of at least `RAMP_WINDOW_s`, K/s; never negative. Fed one sample after
 * another, so that a run can be followed as it goes.
 */
export class SteepestRise {
  most_K_s = 0;
  private readonly time_s: number[] = [];
  private readonly value_K: number[] = [];
  private from = 0;

  add(time_s: number, value_K: number): void {
    this.time_s.push(time_s);
    this.value_K.push(value_K);
    const last = this.time_s.length - 1;
    while (this.from + 1 < last && time_s - this.time_s[this.from + 1]! >= RAMP_WINDOW_s - ROUNDING_s)
      this.from++;
    const span_s = time_s - this.time_s[this.from]!;
    if (span_s >= RAMP_WINDOW_s - ROUNDING_s)
      this.most_K_s = Math.max(this.most_K_s, (value_K - this.value_K[this.from]!) / span_s);
    if (this.from > MOST_KEPT) this.forget();
  }

  /** Samples before the window are of no use any more. */
  private forget(): void {
    this.time_s.splice(0, this.from);
    this.value_K.splice(0, this.from);
    this.from = 0;
  }
}

const MOST_KEPT = 256;

/** The same of a whole history, from one time to another. */
export function steepestRise_K_s(
  time_s: Float64Array,
  value_K: Float64Array,
  from_s = -Infinity,
  to_s = Infinity,
): number {
  const rise = new SteepestRise();
  for (let i = 0; i < time_s.length && time_s[i]! <= to_s; i++)
    if (time_s[i]! >= from_s) rise.add(time_s[i]!, value_K[i]!);
  return rise.most_K_s;
}
