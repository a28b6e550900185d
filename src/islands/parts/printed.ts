import { trendOf, type Trend } from '~/core/electrical/meter/trend';
import { suspicionsOf } from '~/core/electrical/parts/incoming';
import { VALUE_OF } from '~/core/electrical/parts/part';
import { yearOf } from '~/core/quantity/dateCode';
import { partValueOf } from '~/core/quantity/partValue';
import type { PartInput } from '~/schema/exchange/parts/part';
import type { PartReading } from '~/schema/records/parts/stockPart';

type Read = Pick<PartReading, 'reading' | 'at_ms'>;

/** What was read as a share of what is printed; null where either is no figure. */
export function ofPrinted(part: PartInput, { reading }: Pick<Read, 'reading'>): number | null {
  const of = VALUE_OF[part.kind];
  if (!of || part.value === undefined) return null;
  const figure = (given: number | string | undefined, on: 'part' | 'meter'): number | null =>
    typeof given === 'string' ? (partValueOf(given, of, on)?.value ?? null) : (given ?? null);
  const [printed, read] = [figure(part.value, 'part'), figure(reading[of], 'meter')];
  return printed && read !== null ? read / printed : null;
}

/** How what was read by itself went over the visits; in circuit other paths read along. */
export const trendOfReadings = (part: PartInput, readings: readonly Read[]): Trend | null =>
  trendOf(
    readings.flatMap((r) => {
      const share = r.reading.inCircuit ? null : ofPrinted(part, r);
      return share === null || !Number.isFinite(share) ? [] : [{ at_ms: r.at_ms, share }];
    }),
  );

/** A trend in one line. */
export function trendInWords({ readings, days, first, last, perYear }: Trend): string {
  const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
  const rate =
    perYear === null
      ? ''
      : `, ${perYear < 0 ? '−' : '+'}${(100 * Math.abs(perYear)).toFixed(1)} % of what is printed a year`;
  return `${percent(first)} of what is printed, then ${percent(last)}, over ${readings} readings and ${Math.round(days)} days${rate}`;
}

/** What is seen on a part that speaks against what it is said to be; on a board of a year, where that is known. */
export const suspicionsOn = (
  { looks, source, dateCode }: PartInput,
  boardYear: number | null = null,
): string[] => {
  const madeIn = (dateCode && yearOf(dateCode)) || undefined;
  return suspicionsOf({ looks, source, madeIn }, { year: new Date().getFullYear(), boardYear });
};
