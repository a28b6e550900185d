const DAY_ms = 86_400_000;

/** When something is expected that comes in so many days, as typed; null where nothing was. Throws where it is no number. */
export function expectedIn_ms(days: string): number | null {
  const typed = days.trim();
  if (typed === '') return null;
  if (!/^\d{1,4}$/.test(typed))
    throw new Error(`Expected in, days: “${typed}” is no number of days; write it like 5`);
  return Date.now() + Number(typed) * DAY_ms;
}
