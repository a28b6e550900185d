/** Signs that a value is scaled by, as people write them: u, µ and μ are the same. */
const POWERS: Readonly<Record<string, number>> = {
  p: -12,
  n: -9,
  u: -6,
  µ: -6,
  μ: -6,
  m: -3,
  k: 3,
  K: 3,
  M: 6,
  G: 9,
};

export const PREFIX_SIGNS = Object.keys(POWERS).join('');

/** A number and a sign as one figure, exact in its decimals: "4.7" and "n" are 4.7e-9. */
export const scaled = (digits: string, sign: string): number =>
  Number(`${digits.replace(',', '.')}e${sign === '' || /^[rRfF]$/.test(sign) ? 0 : POWERS[sign]!}`);

/** Powers of ten that a value is written with, the largest first. */
export const WRITTEN = [
  [9, 'G'],
  [6, 'M'],
  [3, 'k'],
  [0, ''],
  [-3, 'm'],
  [-6, 'µ'],
  [-9, 'n'],
  [-12, 'p'],
] as const;
