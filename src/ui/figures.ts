/** How numbers are written for a person: enough digits to act on, and a word where there is no number. */

export const seconds = (value_s: number | null, digits = 1): string =>
  value_s === null ? 'never' : `${value_s.toFixed(value_s >= 100 ? 0 : digits)} s`;

/** Nobody times a melt that comes sooner: a hand and an eye take this long (common practice). */
const AT_ONCE_s = 0.5;

/** A range of seconds with the unit once. */
export const secondsRange = (from_s: number | null, to_s: number | null): string => {
  if (from_s === null) return 'not in reach';
  if (to_s === null) return `from ${from_s.toFixed(1)} s`;
  if (to_s <= AT_ONCE_s) return `under ${AT_ONCE_s} s`;
  const [from, to] = [from_s.toFixed(1), to_s.toFixed(1)];
  return from === to ? `${from} s` : `${from}–${to} s`;
};

/** A share of a budget as per cent; small ones keep a digit, tiny ones are called so. */
export function budget(share: number | null): string {
  if (share === null) return '–';
  const percent = share * 100;
  if (percent < 0.1) return '< 0.1 %';
  return `${percent < 10 ? percent.toFixed(1) : percent.toFixed(0)} %`;
}

export const degrees = (value_C: number): string => `${Math.round(value_C)} °C`;

/** A share of draws; where none of them did, what so many draws can say. */
export const chance = (share: number, draws: number): string =>
  share > 0 ? `${Math.max(1, Math.round(share * 100))} in 100` : `under 1 in ${draws}`;

/** Minutes and seconds of a running clock; negative time keeps its sign. */
export function clockText(left_ms: number): string {
  const sign = left_ms < 0 ? '−' : '';
  const total_s = Math.abs(left_ms) / 1000;
  if (total_s < 60) return `${sign}${total_s.toFixed(1)}`;
  const whole_s = Math.floor(total_s);
  const hours = Math.floor(whole_s / 3600);
  const minutes = Math.floor((whole_s % 3600) / 60);
  const rest = String(whole_s % 60).padStart(2, '0');
  return hours > 0
    ? `${sign}${hours}:${String(minutes).padStart(2, '0')}:${rest}`
    : `${sign}${minutes}:${rest}`;
}

/** How long something is over, with its unit: "12 s", "9 min", "2 h 09 min", "3 d". */
export function sinceText(past_ms: number): string {
  const whole_s = Math.max(0, Math.floor(past_ms / 1000));
  if (whole_s < 60) return `${whole_s} s`;
  const minutes = Math.floor(whole_s / 60);
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  return hours < 48
    ? `${hours} h ${String(minutes % 60).padStart(2, '0')} min`
    : `${Math.floor(hours / 24)} d`;
}

/** An amount of stock in the unit it is counted in, in the size that reads best. */
export function amountWords({ amount, unit }: { readonly amount: number; readonly unit: string }): string {
  if (unit === 'mm' && amount >= 10_000) return `${(amount / 1000).toFixed(1)} m`;
  if (unit === 'mL' && amount > 0 && amount < 0.1) return `${Number((amount * 1000).toPrecision(2))} µL`;
  if (unit === 'g' && amount > 0 && amount < 0.1) return `${Number((amount * 1000).toPrecision(2))} mg`;
  return `${amount >= 100 ? amount.toFixed(0) : Number(amount.toPrecision(2))} ${unit}`;
}

/** "40 s", "3.4 min", "1 h 26 min"; `exact` keeps the tenth, for what is to add up. */
export function minutesText(value_min: number, { exact = false } = {}): string {
  if (exact) return `${value_min.toFixed(1)} min`;
  if (value_min < 1) return `${Math.round(60 * value_min)} s`;
  if (value_min < 90) return `${value_min.toFixed(value_min < 10 ? 1 : 0)} min`;
  const whole = Math.round(value_min);
  return `${Math.floor(whole / 60)} h ${whole % 60} min`;
}
