/** The month of a moment, UTC: "2026-09". */
export const monthOf = (at_ms: number): string => new Date(at_ms).toISOString().slice(0, 7);

/** Every month from one to another, none left out. */
export function monthsBetween(from: string, to: string): string[] {
  const months = [from];
  while (months.at(-1)! < to) {
    const [year, month] = months.at(-1)!.split('-').map(Number) as [number, number];
    months.push(month === 12 ? `${year + 1}-01` : `${year}-${String(month + 1).padStart(2, '0')}`);
  }
  return months;
}
