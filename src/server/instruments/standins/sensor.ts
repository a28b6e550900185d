/** How a sensor sees a value: late, off, unsteady, and in steps. */
export interface SensorSpec {
  readonly lag_s: number;
  readonly offset: number;
  readonly noise: number;
  readonly step: number;
}

/** One sensor that follows a value. */
export class Sensor {
  private shown: number | null = null;

  constructor(
    private readonly spec: SensorSpec,
    private readonly normal: () => number,
  ) {}

  /** What it shows, `by_s` after it was last looked at. */
  read(value: number, by_s: number): number {
    const { lag_s, offset, noise, step } = this.spec;
    this.shown ??= value;
    this.shown += (value - this.shown) * (lag_s > 0 ? -Math.expm1(-by_s / lag_s) : 1);
    const seen = this.shown + offset + noise * this.normal();
    return step > 0 ? Math.round(seen / step) * step : seen;
  }
}
