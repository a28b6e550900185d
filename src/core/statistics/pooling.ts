import { lnBeta } from './lnBeta';
import type { Belief, Count } from './rates';

/** How strongly groups are drawn to what is usual for all of them: as that many counted. */
const LEAST = 2;
const MOST = 2000;
const STEP = 1.15;

export interface Pooled {
  /** What is usual over all groups. */
  readonly usual: number;
  /** A group counts as if so many more had gone as usual. */
  readonly strength: number;
  /** Of each group, in their order. */
  readonly beliefs: readonly Belief[];
}

/**
 * Partial pooling of shares between groups: each is believed after what it counted itself and after what is usual, the more the
 * less it counted. How alike groups are is read from the counts: the strength that makes them likeliest (beta-binomial, type II
 * maximum likelihood; Gelman and others, Bayesian Data Analysis, 3rd ed., 5.3). One group alone, or none that differ, lean most.
 */
export function pool(counts: readonly Count[]): Pooled {
  const [bad, of] = counts.reduce(([b, n], c) => [b + c.bad, n + c.of], [0, 0]);
  // As if one more had been half bad: where none ever was, the usual share is small and not nothing.
  const usual = (bad + 0.5) / (of + 1);
  let [strength, best] = [LEAST, -Infinity];
  for (let s = LEAST; s <= MOST; s *= STEP) {
    const likely = counts.reduce((sum, c) => sum + lnLikely(c, usual * s, (1 - usual) * s), 0);
    // A hair more is no reason to lean harder.
    if (likely > best + 1e-9) [strength, best] = [s, likely];
  }
  return {
    usual,
    strength,
    beliefs: counts.map((c) => ({ a: usual * strength + c.bad, b: (1 - usual) * strength + c.of - c.bad })),
  };
}

/** Log of the chance of a count under a Beta of shares, but for what does not depend on it. */
const lnLikely = ({ bad, of }: Count, a: number, b: number): number =>
  lnBeta(a + bad, b + of - bad) - lnBeta(a, b);
