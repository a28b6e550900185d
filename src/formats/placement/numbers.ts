/** How numbers are written in one column: which mark parts thousands, if any does. */
export type Marks = 'point' | 'comma';

const NUMBER = /^[+-]?[\d.,' \u00a0\u202f]*\d(?:e[+-]?\d+)?/i;

/**
 * Whether a column's numbers have a decimal point or a decimal comma. Both in one cell: the later one. A comma alone: of one cell
 * nobody can say whether "1,234" is a thousand or one and a bit, of a column one can: commas that all stand before just three
 * digits beside cells with points, or twice in a cell, part thousands.
 */
export function marksOf(cells: readonly string[]): Marks {
  let [points, commas] = [0, 0];
  for (const cell of cells) {
    const text = NUMBER.exec(cell.trim())?.[0];
    if (text === undefined) continue;
    const [point, comma] = [text.lastIndexOf('.'), text.lastIndexOf(',')];
    if (point >= 0 && comma >= 0) return point > comma ? 'point' : 'comma';
    if (/,\d{3},\d{3}/.test(text)) return 'point';
    if (/\.\d{3}\.\d{3}/.test(text)) return 'comma';
    if (point >= 0) points++;
    if (comma >= 0) commas++;
  }
  return commas > 0 && points === 0 ? 'comma' : 'point';
}

/** A number as people write it, with a unit after it if they like; null where there is none. */
export function numberIn(text: string, marks: Marks): number | null {
  const found = NUMBER.exec(text.trim())?.[0].replace(/[' \u00a0\u202f]/g, '');
  if (found === undefined) return null;
  const plain = marks === 'point' ? found.replace(/,/g, '') : found.replace(/\./g, '').replace(',', '.');
  const value = Number(plain);
  return Number.isFinite(value) ? value : null;
}
