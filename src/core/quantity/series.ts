/** Preferred values of IEC 60063: the rounded ones of E24 are historical and follow no formula. */
const E24 = [
  1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8,
  7.5, 8.2, 9.1,
] as const;
const geometric = (count: number): readonly number[] =>
  Array.from({ length: count }, (_, i) => Math.round(100 * 10 ** (i / count)) / 100);

export const SERIES: Readonly<Record<'E6' | 'E12' | 'E24' | 'E48' | 'E96', readonly number[]>> = {
  E6: E24.filter((_, i) => i % 4 === 0),
  E12: E24.filter((_, i) => i % 2 === 0),
  E24,
  E48: geometric(48),
  E96: geometric(96),
};
export type SeriesId = keyof typeof SERIES;

/** The smallest preferred value that is no less than a value. */
export function preferredFrom(value: number, series: SeriesId): number {
  const decade = Math.floor(Math.log10(value));
  for (const power of [decade, decade + 1])
    for (const step of SERIES[series]) {
      const preferred = Number(`${step}e${power}`);
      if (preferred >= value * (1 - 1e-9)) return preferred;
    }
  throw new Error(`${value} has no preferred value above it`);
}

/** The preferred value nearest by ratio. */
export function nearestPreferred(value: number, series: SeriesId): number {
  const decade = Math.floor(Math.log10(value));
  const all = [decade - 1, decade, decade + 1].flatMap((power) =>
    SERIES[series].map((step) => Number(`${step}e${power}`)),
  );
  return all.reduce((a, b) => (Math.abs(Math.log(b / value)) < Math.abs(Math.log(a / value)) ? b : a));
}
