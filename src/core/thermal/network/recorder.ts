/** Keeps tracked temperatures in buffers that double, so that steps do not allocate. */
export class Recorder {
  private time_s = new Float64Array(512);
  private rows: Float64Array[];
  private length = 0;

  constructor(
    private readonly tracked: readonly number[],
    initial: Float64Array,
  ) {
    this.rows = tracked.map(() => new Float64Array(512));
    this.add(0, initial);
  }

  add(time_s: number, temperature_K: Float64Array): void {
    if (this.length === this.time_s.length) {
      const double = (row: Float64Array) => {
        const larger = new Float64Array(2 * row.length);
        larger.set(row);
        return larger;
      };
      this.time_s = double(this.time_s);
      this.rows = this.rows.map(double);
    }
    this.time_s[this.length] = time_s;
    for (let i = 0; i < this.tracked.length; i++) {
      this.rows[i]![this.length] = temperature_K[this.tracked[i]!]!;
    }
    this.length++;
  }

  done(): { time_s: Float64Array; tracked_K: Float64Array[] } {
    return {
      time_s: this.time_s.slice(0, this.length),
      tracked_K: this.rows.map((row) => row.slice(0, this.length)),
    };
  }
}
