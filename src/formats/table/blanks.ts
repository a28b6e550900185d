import Papa from 'papaparse';

/** Cells of one line. Between blanks a quoted cell may hold blanks of its own. */
export function split(line: string, by: string): string[] {
  if (by !== 'blanks') {
    const parsed = Papa.parse<string[]>(line, { delimiter: by }).data[0] ?? [];
    return parsed.map((cell) => cell.trim());
  }
  return (line.match(/"[^"]*"|\S+/g) ?? []).map((cell) => cell.replace(/^"(.*)"$/, '$1'));
}

/** Of so many lines in a hundred a column's edge has to be blank. */
const CLEAR_SHARE = 0.95;

/**
 * Where each column begins, of a list in fixed columns: below every heading's first letter, where the character before it is blank in
 * nearly every line. Null where lines do not stand so, or where plain blanks part them as well into as many cells as the heading has.
 */
export function columnStarts(heading: string, lines: readonly string[]): number[] | null {
  const some = lines.slice(0, 500);
  if (some.length === 0) return null;
  const wanted = split(heading.replace(/^\s*#+/, ''), 'blanks').length;
  const even = some.filter((line) => split(line, 'blanks').length === wanted).length;
  if (even === some.length) return null;
  const starts = [...heading.matchAll(/(?<=^|\s{2,}|\t)[^\s#]/g)].map(({ index }) => index);
  // A heading's mark or indent belongs to its first column.
  if (starts.length > 0) starts[0] = 0;
  const clear = starts.every(
    (at) =>
      at === 0 ||
      some.filter((line) => line.length < at || /\s/.test(line[at - 1]!)).length >= CLEAR_SHARE * some.length,
  );
  return starts.length >= 2 && clear ? starts : null;
}

/** A line cut at columns' beginnings. */
export const columnsByBlanks = (line: string, starts: readonly number[]): string[] =>
  starts.map((from, i) =>
    line
      .slice(from, starts[i + 1])
      .trim()
      .replace(/^"(.*)"$/, '$1'),
  );
