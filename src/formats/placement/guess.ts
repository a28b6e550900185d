import type { CentroidColumns } from './columns';

const REFERENCE = /^[A-Z]{1,4}\d{1,5}[A-Z]?$/;
const NUMBER = /^[+-]?\d+([.,]\d+)?$/;
const FOOTPRINT =
  /(\D|^)(0201|0402|0603|0805|1206|1210)(\D|$)|SO(IC|P|T|D|J)?-?\d|QF[PN]|BGA|DIP|TO-?\d|DPAK|MELF|SM[ABC]\b/i;
const SIDE = /^(t|b|top|bot|bottom|front|back)$/i;

/** Of so many cells in a hundred a column has to be of a kind. */
const SHARE = 0.7;

/** What a list without a heading holds, by the look of its cells: a reference, then x, y and turn in that order (common practice). */
export function guessColumns(rows: readonly (readonly string[])[]): CentroidColumns {
  const some = rows.slice(0, 200);
  const width = some.reduce((most, row) => Math.max(most, row.length), 0);
  const share = (at: number, pattern: RegExp): number =>
    some.length === 0 ? 0 : some.filter((row) => pattern.test((row[at] ?? '').trim())).length / some.length;
  const columns = Array.from({ length: width }, (_, at) => at);
  const of = (pattern: RegExp, least = SHARE): number[] =>
    columns.filter((at) => share(at, pattern) >= least);
  const ref = of(REFERENCE)[0] ?? -1;
  const numbers = of(NUMBER).filter((at) => at !== ref);
  const side = of(SIDE)[0] ?? -1;
  const texts = columns.filter((at) => at !== ref && at !== side && !numbers.includes(at));
  const [footprint = -1] = [...texts]
    .sort((a, b) => share(b, FOOTPRINT) - share(a, FOOTPRINT))
    .filter((at) => share(at, FOOTPRINT) > 0);
  return {
    ref,
    value: texts.find((at) => at !== footprint) ?? -1,
    footprint,
    side,
    x: numbers[0] ?? -1,
    y: numbers[1] ?? -1,
    rotation: numbers[2] ?? -1,
  };
}
