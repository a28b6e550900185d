import lnGamma from '@stdlib/math-base-special-gammaln';

/** Logarithm of the Beta function. */
export const lnBeta = (a: number, b: number): number => lnGamma(a) + lnGamma(b) - lnGamma(a + b);
