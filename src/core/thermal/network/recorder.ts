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

  done(): Recorded {
    const { values, width, steps } = this;
    if (spare.length < KEPT) spare.push(values);
    this.values = EMPTY;
    return new Recorded(values.slice(0, width * steps), width, steps);
  }
}

/** Nothing is recorded past the end. */
const EMPTY = new Float64Array(0);

/** What was recorded of a run: tracked temperatures by their place in the list, K, at each of its times. */
export class Recorded {
  constructor(
    private readonly values: Float64Array,
    private readonly width: number,
    private readonly steps: number,
  ) {}

  /** How many are tracked. */
  get tracked(): number {
    return this.width - 1;
  }

  get time_s(): Float64Array {
    return this.column(0);
  }

  history_K(tracked: number): Float64Array {
    return this.column(tracked + 1);
  }

  /** At the last of its times. */
  last_K(tracked: number): number {
    return this.values[(this.steps - 1) * this.width + tracked + 1]!;
  }

  /** The coldest of several that follow each other in the list, at each time. */
  coldest_K(from: number, count: number): Float64Array {
    const { values, width, steps } = this;
    const least = new Float64Array(steps);
    for (let step = 0, first = from + 1; step < steps; step++, first += width) {
      let coldest_K = values[first]!;
      for (let at = first + 1; at < first + count; at++) coldest_K = Math.min(coldest_K, values[at]!);
      least[step] = coldest_K;
    }
    return least;
  }

  /** The mean of several that follow each other in the list, by their shares. */
  mean_K(from: number, shares: readonly number[]): Float64Array {
    const { values, width, steps } = this;
    const mean = new Float64Array(steps);
    for (let step = 0, first = from + 1; step < steps; step++, first += width) {
      let sum_K = 0;
      for (let i = 0; i < shares.length; i++) sum_K += shares[i]! * values[first + i]!;
      mean[step] = sum_K;
    }
    return mean;
  }

  private column(at: number): Float64Array {
    const { values, width, steps } = this;
    const column = new Float64Array(steps);
    for (let step = 0, from = at; step < steps; step++, from += width) column[step] = values[from]!;
    return column;
  }
}
