/** Room for this many numbers at first: most runs take fewer. */
const ROOM = 4096;

/** Buffers of runs that are over: a run's own would cost more than what it writes. */
const spare: Float64Array[] = [];
const KEPT = 4;

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
    this.values = spare.pop() ?? new Float64Array(ROOM);
    this.add(0);
  }

  add(time_s: number): void {
    const { tracked, width, temperatures_K } = this;
    let at = this.steps++ * width;
    if (at + width > this.values.length) {
      const larger = new Float64Array(2 * Math.max(this.values.length, width));
      larger.set(this.values);
      this.values = larger;
    }
    this.values[at++] = time_s;
    for (let i = 0; i < tracked.length; i++) this.values[at++] = temperatures_K[tracked[i]!]!;
  }

  /**
   * One row per tracked node, in the order asked for. All lie in one buffer, as dozens of their own would cost more than
   * the run's steps: what is kept for long, or sent to another thread, is copied.
   */
  done(): { time_s: Float64Array; tracked_K: Float64Array[] } {
    const { values, width, steps } = this;
    const rows = new Float64Array(width * steps);
    for (let column = 0, to = 0; column < width; column++) {
      for (let step = 0, at = column; step < steps; step++, at += width) rows[to++] = values[at]!;
    }
    if (spare.length < KEPT) spare.push(values);
    this.values = EMPTY;
    const [time_s, ...tracked_K] = Array.from({ length: width }, (_, column) =>
      rows.subarray(column * steps, (column + 1) * steps),
    );
    return { time_s: time_s!, tracked_K };
  }
}

/** Nothing is recorded past the end. */
const EMPTY = new Float64Array(0);
