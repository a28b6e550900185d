import { celsius } from '~/core/quantity/convert';

/** What an answer reads off a history of temperatures in K. */

export const inCelsius = (row: Float64Array): number[] => Array.from(row, celsius);

export const hottest_K = (row: Float64Array): number => row.reduce((a, b) => Math.max(a, b), -Infinity);

export const peak_C = (row: Float64Array): number => celsius(hottest_K(row));

export function timeAbove_s(time_s: Float64Array, row: Float64Array, level_K: number): number {
  let sum = 0;
  for (let i = 1; i < time_s.length; i++) {
    const a = row[i - 1]! - level_K;
    const b = row[i]! - level_K;
    const share = a >= 0 && b >= 0 ? 1 : a < 0 && b < 0 ? 0 : Math.max(a, b) / Math.abs(b - a);
    sum += share * (time_s[i]! - time_s[i - 1]!);
  }
  return sum;
}
