import type { Count, Rate } from '~/core/statistics/rates';

/** A share as so many in a hundred: one figure after the point while it is small. */
export function inHundred(share: number): string {
  const hundred = 100 * share;
  return hundred < 9.95 ? hundred.toFixed(1) : hundred.toFixed(0);
}

/** "2.1 (0.8 to 4.4)" in a hundred. */
export const rateWords = ({ share, low, high }: Rate): string =>
  Number.isFinite(share) ? `${inHundred(share)} (${inHundred(low)} to ${inHundred(high)})` : 'none counted';

/** "3 of 146". */
export const countWords = ({ bad, of }: Count): string => `${bad} of ${of}`;

/** A chance as whole per cent; near the ends it says over or under. */
export function sureWords(chance: number): string {
  if (chance > 0.99) return 'over 99 %';
  if (chance < 0.01) return 'under 1 %';
  return `${Math.round(100 * chance)} %`;
}

/** "September 2026". */
export const monthWords = (month: string): string =>
  new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    Date.parse(`${month}-01T00:00Z`),
  );

/** How far off the middle one was: "× 1.30" or "+12 K". */
export const biasWords = (bias: number, by: 'ratio' | 'difference'): string =>
  by === 'ratio' ? `× ${bias.toFixed(2)}` : `${bias < 0 ? '−' : '+'}${Math.abs(bias).toFixed(0)} K`;

/** How far most lie about the middle one: "× ÷ 1.50" or "± 8 K". */
export const spreadWords = (spread: number, by: 'ratio' | 'difference'): string =>
  by === 'ratio' ? `× ÷ ${spread.toFixed(2)}` : `± ${spread.toFixed(0)} K`;
