/** The year of a date code: four figures that are a year, or year and week; null where it is neither. */
export function yearOf(dateCode: string): number | null {
  const found = /(\d{2})(\d{2})/.exec(dateCode);
  if (!found) return null;
  const whole = Number(found[0]);
  if (whole >= 1960 && whole <= 2060) return whole;
  const [year, week] = [Number(found[1]), Number(found[2])];
  return week >= 1 && week <= 53 ? (year >= 60 ? 1900 : 2000) + year : null;
}
