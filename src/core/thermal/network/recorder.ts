/** Room for this many steps at first: most runs take fewer. */
const STEPS = 96;

/** Keeps tracked temperatures in one buffer that doubles, so that steps do not allocate; what is tracked are places among all. */
export class Recorder {
  private readonly width: number;
  /** Step by step: the time, then the tracked temperatures. */
  private values: Float64Array;
  private steps = 0;

  constructor(
    private readonly temperatures_K: Float64Array,
    private readonly tracked: Int32Array,
  ) {
    this.width = tracked.length + 1;
    this.values = new Float64Array(STEPS * this.width);
    this.add(0);
  }

  add(time_s: number): void {
    const { tracked, width, temperatures_K } = this;
    let at = this.steps++ * width;
    if (at === this.values.length) {
      const larger = new Float64Array(2 * this.values.length);
      larger.set(this.values);
      this.values = larger;
    }
    this.values[at++] = time_s;
    for (let i = 0; i < tracked.length; i++) this.values[at++] = temperatures_K[tracked[i]!]!;
  }

  /** One row per tracked node, in the order asked for. */
  done(): { time_s: Float64Array; tracked_K: Float64Array[] } {
    return { time_s: this.row(0), tracked_K: Array.from(this.tracked, (_, i) => this.row(i + 1)) };
  }

  private row(column: number): Float64Array {
    const { values, width, steps } = this;
    const row = new Float64Array(steps);
    for (let i = 0, at = column; i < steps; i++, at += width) row[i] = values[at]!;
    return row;
  }
}
