import quantile from '@stdlib/stats-base-dists-normal-quantile';

/** Standard normal quantile for 0 < p < 1. */
export const normalQuantile = (p: number): number => quantile(p, 0, 1);
