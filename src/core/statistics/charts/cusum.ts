import { uniformStream } from '../random';
import type { Count } from '../rates';

export interface CusumPoint {
  readonly sum: number;
  /** So many points ago the sum last left nothing: where it signals, the change began with the first of them. */
  readonly since: number;
}

/** A one-sided cumulative sum: what is over a slack adds up, what is under takes away, never under nothing. */
function summed(steps: readonly number[]): CusumPoint[] {
  let [sum, since] = [0, 0];
  return steps.map((step) => {
    sum = Math.max(0, sum + step);
    since = sum > 0 ? since + 1 : 0;
    return { sum, since };
  });
}

/**
 * The tabular cumulative sum of values over a target, upwards, with a slack (ISO 7870-4; Montgomery, Introduction to
 * Statistical Quality Control, ch. 9). Over the decision interval it signals.
 */
export const cusumOf = (
  values: readonly number[],
  { target, slack }: { readonly target: number; readonly slack: number },
): CusumPoint[] => summed(values.map((v) => v - target - slack));

/**
 * The cumulative sum of the log-likelihood ratio of odds that have grown so many times to the usual ones: the quickest test for a
 * given rate of false alarms, whatever each count's size and whatever is usual for it (Page, Biometrika 41, 1954; for binary
 * results of unlike risk Steiner and others, Biostatistics 1, 2000).
 */
export const cusumOfCounts = (
  counts: readonly (Count & { readonly usual: number })[],
  oddsGrown: number,
): CusumPoint[] =>
  summed(
    counts.map(({ bad, of, usual }) => {
      const worse = withOdds(usual, oddsGrown);
      return bad * Math.log(worse / usual) + (of - bad) * Math.log((1 - worse) / (1 - usual));
    }),
  );

/** The share whose odds are so many times those of another. */
export const withOdds = (share: number, times: number): number => (times * share) / (1 + (times - 1) * share);

/** A run of work as it comes: so many results, of which that share usually is bad. */
export interface Work {
  readonly of: number;
  readonly usual: number;
}

/** Longer runs than this are not simulated but reckoned on. */
const MOST_SIMULATED = 10_000;

/** Runs that an interval is tried with: the mean run is then known to about a sixth, and the interval to a twentieth. */
const RUNS = 40;
const SEED = 7870;

/**
 * The decision interval at which usual work gives one false alarm in so many results, simulated work by work in the order in which
 * it came (as Steiner and others): of unlike risk, no chain tells it. Seeded, and the same numbers for every interval that is tried, so that a higher one never signals
 * sooner. Long runs are reckoned from shorter ones: with each unit of log-likelihood they grow by a factor of e (Siegmund,
 * Sequential Analysis, 1985, 2.5).
 */
export function intervalForMix(mix: readonly Work[], oddsGrown: number, results: number): number {
  const all = mix.reduce((sum, w) => ({ bad: sum.bad + w.of * w.usual, of: sum.of + w.of }), {
    bad: 0,
    of: 0,
  });
  const usual = all.of > 0 ? all.bad / all.of : 0;
  if (usual <= 0) return Infinity;
  const steps = mix.map(({ of, usual: p }) => {
    const worse = withOdds(p, oddsGrown);
    return { of, p, none: (1 - p) ** of, up: Math.log(worse / p), down: Math.log((1 - worse) / (1 - p)) };
  });
  const simulated = Math.min(results, MOST_SIMULATED);
  const meanRun = (interval: number): number => {
    const next = uniformStream(SEED);
    let sum = 0;
    for (let run = 0; run < RUNS; run++) {
      let [at, cusum, seen] = [Math.floor(next() * mix.length), 0, 0];
      while (cusum <= interval && seen < 4 * simulated) {
        const { of, p, none, up, down } = steps[at]!;
        const bad = binomial(next(), of, p, none);
        cusum = Math.max(0, cusum + bad * up + (of - bad) * down);
        seen += of;
        at = at + 1 === mix.length ? 0 : at + 1;
      }
      sum += seen;
    }
    return sum / RUNS;
  };
  let [low, high] = [0.3, 12];
  while (high - low > 0.1) {
    const middle = (low + high) / 2;
    if (meanRun(middle) < simulated) low = middle;
    else high = middle;
  }
  return high + Math.log(results / simulated);
}

/** How many of n are bad, by inverting the binomial's distribution; `none` is the chance that none is. */
function binomial(u: number, n: number, p: number, none: number): number {
  let [bad, chance, left] = [0, none, u - none];
  while (left > 0 && bad < n) {
    chance *= ((n - bad) / (bad + 1)) * (p / (1 - p));
    bad++;
    left -= chance;
  }
  return bad;
}
