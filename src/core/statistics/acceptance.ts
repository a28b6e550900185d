/** Chance that a sample of n has at most c bad ones where a share p is bad: binomial, for lots that are large beside it. */
export function acceptChance(n: number, c: number, p: number): number {
  if (p <= 0) return 1;
  if (p >= 1) return c >= n ? 1 : 0;
  let term = (1 - p) ** n;
  let sum = term;
  for (let k = 1; k <= c; k++) {
    term *= ((n - k + 1) / k) * (p / (1 - p));
    sum += term;
  }
  return Math.min(1, sum);
}

/** A plan of acceptance: so many are read, and so many bad ones still release the lot. */
export interface SamplingPlan {
  readonly n: number;
  readonly accept: number;
  /** Chance that a lot as good as it should be is turned down. */
  readonly producersRisk: number;
  /** Chance that a lot as bad as it may never be gets through. */
  readonly consumersRisk: number;
}

export interface SamplingAsked {
  readonly lot: number;
  /** Share of bad ones that is lived with, and the one that must not get through. */
  readonly good: number;
  readonly bad: number;
  readonly consumersRisk: number;
}

/**
 * The smallest sample that lets a bad lot through no more often than said; none is accepted with a bad one in it unless a good
 * lot would else be turned down more often than one time in five. Never more than the lot. The risks are told as they are
 * (the attributes plans of ISO 2859-1 are such pairs, rounded to its series of sizes).
 */
export function samplingPlan({ lot, good, bad, consumersRisk }: SamplingAsked): SamplingPlan {
  const told = (n: number, accept: number): SamplingPlan => ({
    n,
    accept,
    producersRisk: n >= lot ? 0 : 1 - acceptChance(n, accept, good),
    consumersRisk: n >= lot ? 0 : acceptChance(n, accept, bad),
  });
  for (const accept of [0, 1, 2, 3]) {
    let n = accept + 1;
    while (n < lot && acceptChance(n, accept, bad) > consumersRisk) n++;
    const plan = told(Math.min(n, lot), accept);
    if (plan.producersRisk <= MOST_PRODUCERS || plan.n >= lot) return plan;
  }
  return told(lot, 0);
}
const MOST_PRODUCERS = 0.2;
