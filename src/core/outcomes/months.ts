const DAY_ms = 86_400_000;
/** Days of four hundred years, after which the calendar begins again, and of a century and four years within. */
const ERA = 146_097;

/** Year and month, 1 to 12, of a moment, UTC, by the civil calendar (Hinnant, chrono-compatible low-level date algorithms). */
export function yearAndMonth(at_ms: number): readonly [year: number, month: number] {
  // Counted from 1 March of the year 0, so that a leap day is the last of its year.
  const days = Math.floor(at_ms / DAY_ms) + 719_468;
  const era = Math.floor(days / ERA);
  const ofEra = days - era * ERA;
  const yearOfEra = Math.floor(
    (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) / 365,
  );
  const ofYear = ofEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const fromMarch = Math.floor((5 * ofYear + 2) / 153);
  const month = fromMarch < 10 ? fromMarch + 3 : fromMarch - 9;
  return [yearOfEra + 400 * era + (month <= 2 ? 1 : 0), month];
}

/** The month of a moment, UTC: "2026-09". */
export function monthOf(at_ms: number): string {
  const [year, month] = yearAndMonth(at_ms);
  return `${year}-${String(month).padStart(2, '0')}`;
}

/** The months of moments one after another: worked out anew only where one is over. */
export function monthsOf(times_ms: readonly number[]): string[] {
  let [from_ms, to_ms, month] = [Infinity, -Infinity, ''];
  return times_ms.map((at_ms) => {
    if (at_ms < from_ms || at_ms >= to_ms) {
      month = monthOf(at_ms);
      // Within the day: what is sure to be of the same month.
      from_ms = Math.floor(at_ms / DAY_ms) * DAY_ms;
      to_ms = from_ms + DAY_ms;
    }
    return month;
  });
}

/** Every month from one to another, none left out. */
export function monthsBetween(from: string, to: string): string[] {
  const months = [from];
  while (months.at(-1)! < to) {
    const [year, month] = months.at(-1)!.split('-').map(Number) as [number, number];
    months.push(month === 12 ? `${year + 1}-01` : `${year}-${String(month + 1).padStart(2, '0')}`);
  }
  return months;
}
