import Papa from 'papaparse';
import { lineFault, type LineFault } from '~/formats/lineFault';
import { columnsByBlanks, columnStarts, split } from './blanks';

interface TableRow {
  readonly line: number;
  readonly cells: readonly string[];
}

/** A list as its lines have it, whatever parts its cells. */
export interface Table {
  readonly heading: readonly string[];
  /** Null where the list has no heading: its columns are counted. */
  readonly headingLine: number | null;
  readonly rows: readonly TableRow[];
  readonly faults: readonly LineFault[];
  /** What stands above the heading and behind comment marks: units, as a rule. */
  readonly preamble: string;
}

/** So many lines may stand above a heading. */
const LOOKED_AT_lines = 60;
const MARKS = [',', ';', '\t', '|'] as const;
type Parted = (typeof MARKS)[number] | 'blanks';

/** A comment's mark before a heading or a remark. */
const unmarked = (line: string): string => line.replace(/^\s*(?:#+|\/\/|\*+|!+|;(?=\s))\s*/, '');
const isRule = (line: string): boolean => /^[\s\-=_#*+|~]*$/.test(line);
const isRemark = (line: string): boolean => /^\s*(#|\/\/|\*{2,}|!)/.test(line);

/**
 * Takes a list apart: by comma, semicolon, tab, bar, blanks or fixed columns, with its heading wherever it stands and behind whatever
 * mark. `known` counts how many of some cells are headings that it knows; the line and mark with most of them win, and where no
 * line has two the first line that splits is the heading, or none is where it holds numbers as the others do.
 */
export function tableOf(text: string, known: (cells: readonly string[]) => number): Table {
  const lines = text.replace(/^\ufeff/, '').split(/\r\n|\r|\n/);
  const found = headingIn(lines, known);
  const parted = found?.parted ?? likeliestMark(lines);
  const first = found ? found.line : firstThatSplits(lines, parted);
  const headless =
    !found &&
    (first < 0 || split(unmarked(lines[first]!), parted).some((cell) => /^[+-]?\d+[.,]?\d*$/.test(cell)));
  const from = headless ? Math.max(0, first) : first + 1;
  const preamble = [...lines.slice(0, Math.max(0, first)), ...lines.slice(from).filter(isRemark)]
    .slice(0, LOOKED_AT_lines)
    .join('\n');
  const body =
    parted === 'blanks' ? byBlanks(lines, headless ? null : first, from) : byMark(lines, parted, from);
  const head = headless
    ? []
    : parted === 'blanks'
      ? split(unmarked(lines[first]!), 'blanks')
      : split(unmarked(lines[first]!), parted);
  const width = body.rows.reduce((most, row) => Math.max(most, row.cells.length), 0);
  return {
    heading: headless ? Array.from({ length: width }, (_, i) => `column ${i + 1}`) : (body.heading ?? head),
    headingLine: headless ? null : first + 1,
    rows: body.rows,
    faults: body.faults,
    preamble,
  };
}

function headingIn(
  lines: readonly string[],
  known: (cells: readonly string[]) => number,
): { readonly line: number; readonly parted: Parted } | null {
  let best: { line: number; parted: Parted; count: number } | null = null;
  for (const [line, raw] of lines.slice(0, LOOKED_AT_lines).entries()) {
    const bare = unmarked(raw);
    for (const parted of [...MARKS, 'blanks'] as const) {
      const cells = split(bare, parted);
      if (cells.length < 2) continue;
      const count = known(cells);
      if (count >= 2 && count > (best?.count ?? 0)) best = { line, parted, count };
    }
  }
  return best;
}

/** The mark that most lines have, and as often in each. */
function likeliestMark(lines: readonly string[]): Parted {
  const some = lines.filter((line) => line.trim() !== '' && !isRule(line)).slice(0, LOOKED_AT_lines);
  let best: Parted = 'blanks';
  let most = 1;
  for (const mark of MARKS) {
    const widths = some.map((line) => split(line, mark).length).sort((a, b) => a - b);
    const middle = widths[Math.floor(widths.length / 2)] ?? 1;
    if (middle > most) [best, most] = [mark, middle];
  }
  return best;
}

const firstThatSplits = (lines: readonly string[], parted: Parted): number =>
  lines.findIndex((line) => !isRule(line) && split(unmarked(line), parted).length > 1);

type Body = Pick<Table, 'rows' | 'faults'> & { readonly heading?: readonly string[] };

function byMark(lines: readonly string[], delimiter: string, from: number): Body {
  const kept = lines.slice(from);
  const { data, errors } = Papa.parse<string[]>(kept.join('\n'), { delimiter, skipEmptyLines: false });
  const faults = errors
    .filter(({ type }) => type === 'Quotes')
    .map(({ row, code }) =>
      lineFault(
        from + 1 + lineOfRow(data, row ?? 0),
        kept[lineOfRow(data, row ?? 0)] ?? '',
        code === 'MissingQuotes'
          ? 'opens a quotation mark that is never closed; what follows it may have been swallowed'
          : 'has a quotation mark where none may stand',
      ),
    );
  const rows: TableRow[] = [];
  let line = from + 1;
  for (const cells of data) {
    const whole = cells.join(delimiter);
    if (!isRule(whole) && !isRemark(whole)) rows.push({ line, cells: cells.map((cell) => cell.trim()) });
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0);
  }
  return { rows, faults };
}

/** A row of the parser began so many lines after the first: cells in quotes may hold line ends. */
const lineOfRow = (data: readonly (readonly string[])[], row: number): number =>
  data
    .slice(0, row)
    .reduce((sum, cells) => sum + 1 + cells.reduce((n, cell) => n + (cell.match(/\n/g)?.length ?? 0), 0), 0);

function byBlanks(lines: readonly string[], heading: number | null, from: number): Body {
  const body = lines
    .map((text, i) => ({ text, line: i + 1 }))
    .slice(from)
    .filter(({ text }) => text.trim() !== '' && !isRule(text) && !isRemark(text));
  const head = heading === null ? null : lines[heading]!;
  const starts =
    head === null
      ? null
      : columnStarts(
          head,
          body.map(({ text }) => text),
        );
  const rows = body.map(({ text, line }) => ({
    line,
    cells: starts ? columnsByBlanks(text, starts) : split(text, 'blanks'),
  }));
  if (!starts || head === null) return { rows, faults: [] };
  return { rows, faults: [], heading: columnsByBlanks(head, starts).map(unmarked) };
}
