import type { Count } from '../rates';

/** One point of a chart of shares: with limits of its own, as more counted say more. */
export interface PPoint extends Count {
  readonly share: number;
  /** What is usual for it: the common share, or its own where what was counted differs. */
  readonly centre: number;
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
 * Introduction to Statistical Quality Control, ch. 7). `own` gives each point a centre of its own where what is counted is not
 * the same from one to the next. Where what is counted hangs together, `design` is by how many times its variance is that of
 * chance alone (Kish, Survey Sampling, 1965): limits widen by its root. A period with nothing counted has no point to
 * judge: its z is 0.
 */
export function pChart(
  counts: readonly Count[],
  centre = shareOfAll(counts),
  own: readonly number[] = [],
  design = 1,
): PChart {
  return { centre, points: counts.map((count, i) => pointOf(count, own[i] ?? centre, design)) };
}

function pointOf({ bad, of }: Count, centre: number, design: number): PPoint {
  if (of === 0) return { bad, of, share: NaN, centre, low: 0, high: 1, z: 0 };
  const sd = Math.sqrt((design * centre * (1 - centre)) / of);
  const share = bad / of;
  return {
    bad,
    of,
    share,
    centre,
    low: Math.max(0, centre - SIGMAS * sd),
    high: Math.min(1, centre + SIGMAS * sd),
    z: sd > 0 ? (share - centre) / sd : 0,
  };
}

export function shareOfAll(counts: readonly Count[]): number {
  const [bad, of] = counts.reduce(([b, n], c) => [b + c.bad, n + c.of], [0, 0]);
  return of > 0 ? bad / of : 0;
}
