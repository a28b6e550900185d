/** Ten minutes at ten readings a second. */
const KEPT = 6000;

/** Readings of one channel as they come, in time's order; the oldest make room. */
export class LiveSeries {
  private at_ms = new Float64Array(2 * KEPT);
  private value = new Float64Array(2 * KEPT);
  private end = 0;

  /** Adds a reading; null is a gap. One that is no later than the last is left out: a line that broke tells things twice. */
  add(at_ms: number, value: number | null): void {
    if (this.end > 0 && at_ms <= this.at_ms[this.end - 1]!) return;
    if (this.end === 2 * KEPT) {
      this.at_ms.copyWithin(0, KEPT);
      this.value.copyWithin(0, KEPT);
      this.end = KEPT;
    }
    this.at_ms[this.end] = at_ms;
    this.value[this.end++] = value ?? NaN;
  }

  get length(): number {
    return this.end;
  }

  /** The newest reading; null where there is none, or it was a gap. */
  get last(): number | null {
    const value = this.end > 0 ? this.value[this.end - 1]! : NaN;
    return Number.isNaN(value) ? null : value;
  }

  /** Times and values since a time; views that hold until the next reading. */
  since(from_ms: number): { readonly at_ms: Float64Array; readonly value: Float64Array } {
    let [low, high] = [0, this.end];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.at_ms[middle]! < from_ms) low = middle + 1;
      else high = middle;
    }
    return { at_ms: this.at_ms.subarray(low, this.end), value: this.value.subarray(low, this.end) };
  }
}

/** What a live temperature tells of a limit: how fast it rises, and when it will be there if it goes on so. */
export interface Outlook {
  /** Rise over the last seconds, by least squares, K/s; null where too little was read. */
  readonly ramp_K_s: number | null;
  readonly peak: number | null;
  /** Time spent over a level, s. */
  readonly above_s: number;
}

/** Over so long the rise is read. */
const RAMP_ms = 1500;

/** Reads ramp, peak and time over a level off a series, from a time on. */
export function outlookOf(series: LiveSeries, from_ms: number, level: number): Outlook {
  const { at_ms, value } = series.since(from_ms);
  let [peak, above_ms]: [number | null, number] = [null, 0];
  for (let i = 0; i < value.length; i++) {
    const v = value[i]!;
    if (Number.isNaN(v)) continue;
    if (peak === null || v > peak) peak = v;
    if (i > 0 && v >= level && value[i - 1]! >= level) above_ms += at_ms[i]! - at_ms[i - 1]!;
  }
  return { ramp_K_s: rampOf(series, at_ms.at(-1) ?? 0), peak, above_s: above_ms / 1000 };
}

function rampOf(series: LiveSeries, end_ms: number): number | null {
  const { at_ms, value } = series.since(end_ms - RAMP_ms);
  let [n, st, sv, stt, stv] = [0, 0, 0, 0, 0];
  for (let i = 0; i < value.length; i++) {
    const v = value[i]!;
    if (Number.isNaN(v)) continue;
    const t = (at_ms[i]! - end_ms) / 1000;
    n++;
    st += t;
    sv += v;
    stt += t * t;
    stv += t * v;
  }
  const spread = n * stt - st * st;
  return n < 4 || spread <= 0 ? null : (n * stv - st * sv) / spread;
}
