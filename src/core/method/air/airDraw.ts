import type { Stop } from '../limits/stop';

/** One draw: when each pad melted, and when it met a limit while still held; times from the air on. */
export interface Drawn {
  readonly melt_s: ReadonlyMap<string, number>;
  readonly last_s: number;
  readonly limit: Stop | null;
  readonly padDose: ReadonlyMap<string, number>;
  readonly padPeak_K: ReadonlyMap<string, number>;
  readonly laminateDose: number;
}
