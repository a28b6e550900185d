import betaCdf from '@stdlib/stats-base-dists-beta-cdf';
import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import { designOf } from './design';
import { lnBeta } from './lnBeta';
import { normalQuantile } from './normal';

/** So sure are the intervals of every rate: nine times in ten the truth lies inside. */
const SURE = 0.9;

/** What was counted: so many of so many. */
export interface Count {
  readonly bad: number;
  readonly of: number;
}

/** A share with the interval that it lies in, as sure as said. */
export interface Rate {
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/**
 * Wilson's score interval of a share (Wilson, J. Am. Stat. Assoc. 22, 1927); of nothing counted, all from 0 to 1. The share
 * itself is as counted.
 */
export function wilson({ bad, of }: Count, sure = SURE): Rate {
  if (of === 0) return { share: NaN, low: 0, high: 1 };
  const z = normalQuantile((1 + sure) / 2);
  const share = bad / of;
  const spread = z * Math.sqrt((share * (1 - share)) / of + (z * z) / (4 * of * of));
  const middle = share + (z * z) / (2 * of);
  const whole = 1 + (z * z) / of;
  return {
    share,
    // Nothing bad seen leaves nothing below, and the other way round: rounding must not say otherwise.
    low: bad === 0 ? 0 : Math.max(0, (middle - spread) / whole),
    high: bad === of ? 1 : Math.min(1, (middle + spread) / whole),
  };
}

/**
 * Counts of groups that hang together, as pads of one job do, as that many that do not (Rao and Scott, Biometrics 48, 1992).
 * Never more than were counted.
 */
export function effective(groups: readonly Count[]): Count {
  const [bad, of] = groups.reduce(([b, n], g) => [b + g.bad, n + g.of], [0, 0]);
  const counted = groups.filter((g) => g.of > 0);
  if (bad === 0 || bad === of || counted.length < 2) return { bad, of };
  const design = designOf(counted.map((group) => ({ ...group, usual: bad / of, spell: 'all' })));
  return { bad: bad / design, of: of / design };
}

/** A Beta distribution: what is held of a share. */
export interface Belief {
  readonly a: number;
  readonly b: number;
}

export const beliefMean = ({ a, b }: Belief): number => a / (a + b);

/** Mean and the middle of a belief, as sure as said. */
export const rateOf = ({ a, b }: Belief, sure = SURE): Rate => ({
  share: beliefMean({ a, b }),
  low: betaQuantile((1 - sure) / 2, a, b),
  high: betaQuantile((1 + sure) / 2, a, b),
});

/** Steps over which a comparison is summed, and the tails that are left out: exact to a hundred-thousandth. */
const STEPS = 200;
const TAIL = 1e-7;

/**
 * Chance that the first share is smaller than the second: the first's distribution over the second's density, in equal steps of its
 * log-odds, in which that density is smooth and dies away at both ends.
 */
export function chanceLess(first: Belief, { a, b }: Belief): number {
  // The upper end as what is missing to all: near one a share itself tells nothing any more.
  const [from, to] = [logit(betaQuantile(TAIL, a, b)), -logit(betaQuantile(TAIL, b, a))];
  let [below, all] = [0, 0];
  for (let i = 0; i <= STEPS; i++) {
    const odds = Math.exp(from + ((to - from) * i) / STEPS);
    const share = odds / (1 + odds);
    const density = Math.exp(a * Math.log(share) - b * Math.log1p(odds) - lnBeta(a, b));
    below += density * betaCdf(share, first.a, first.b);
    all += density;
  }
  return below / all;
}

const logit = (share: number): number => Math.log(Math.max(LEAST, share)) - Math.log1p(-share);
const LEAST = 1e-300;
