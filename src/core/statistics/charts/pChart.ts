import type { Count } from '../rates';

/** One point of a chart of shares: with limits of its own, as more counted say more. */
export interface PPoint extends Count {
  readonly share: number;
  readonly low: number;
  readonly high: number;
  /** Distance from the centre in standard deviations of its own. */
  readonly z: number;
}

export interface PChart {
  readonly centre: number;
  readonly points: readonly PPoint[];
}

/** Limits stand so many standard deviations off (Shewhart; ISO 7870-2). */
const SIGMAS = 3;

/**
 * A p-chart: shares over time about their common one, with limits that follow the sample's size (ISO 7870-2; Montgomery,
 * Introduction to Statistical Quality Control, ch. 7). A period with nothing counted has no point to judge: its z is 0.
 */
export function pChart(counts: readonly Count[], centre = shareOfAll(counts)): PChart {
  return {
    centre,
    points: counts.map(({ bad, of }) => {
      const sd = of > 0 ? Math.sqrt((centre * (1 - centre)) / of) : 0;
      const share = of > 0 ? bad / of : NaN;
      return {
        bad,
        of,
        share,
        low: of > 0 ? Math.max(0, centre - SIGMAS * sd) : 0,
        high: of > 0 ? Math.min(1, centre + SIGMAS * sd) : 1,
        z: sd > 0 ? (share - centre) / sd : 0,
      };
    }),
  };
}

export function shareOfAll(counts: readonly Count[]): number {
  const [bad, of] = counts.reduce(([b, n], c) => [b + c.bad, n + c.of], [0, 0]);
  return of > 0 ? bad / of : 0;
}
