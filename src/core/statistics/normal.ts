import erfc from '@stdlib/math-base-special-erfc';
import quantile from '@stdlib/stats-base-dists-normal-quantile';

/** Standard normal quantile for 0 < p < 1. */
export const normalQuantile = (p: number): number => quantile(p, 0, 1);

/** Share of a standard normal below z. */
export const normalCdf = (z: number): number => erfc(-z / Math.SQRT2) / 2;
