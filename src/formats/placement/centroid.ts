import { lineFault, type LineFault } from '~/formats/lineFault';
import { AS_WRITTEN, laid, UNIT_m, type FileUnit, type Reading } from '~/formats/reading';
import { tableOf, type Table } from '~/formats/table/table';
import { guessColumns } from './guess';
import { COLUMNS, columnsOf, type CentroidColumns } from './columns';
import { marksOf, numberIn } from './numbers';
import { referencesIn } from './references';

/** A row of a placement or parts list: what it says of one part. */
export interface CentroidRow {
  readonly line: number;
  readonly ref: string;
  readonly value: string;
  readonly footprint: string;
  readonly side: 'top' | 'bottom' | null;
  readonly x_m: number | null;
  readonly y_m: number | null;
  readonly rotation_deg: number | null;
}

export interface Placement {
  readonly heading: readonly string[];
  readonly columns: CentroidColumns;
  readonly rows: readonly CentroidRow[];
  readonly faults: readonly LineFault[];
  /** The unit of places, and whether heading, cells or preamble say it. */
  readonly unit: FileUnit;
  readonly unitSaid: boolean;
}

const countKnown = (cells: readonly string[]): number =>
  COLUMNS.filter((key) => columnsOf(cells)[key] >= 0).length;

/**
 * Reads a placement or parts list, parted and headed however it is. `chosen` are columns that a person has settled. Where a list
 * has no heading columns are guessed from what they hold.
 */
export function readPlacement(
  text: string,
  chosen: Partial<CentroidColumns> = {},
  reading: Reading = AS_WRITTEN,
): Placement {
  const table = tableOf(text, countKnown);
  const guessed =
    table.headingLine === null ? guessColumns(table.rows.map((row) => row.cells)) : columnsOf(table.heading);
  const columns = { ...guessed, ...chosen };
  const faults = [...table.faults];
  if (columns.ref < 0) {
    const why = 'no column is headed Ref, Reference or Designator; say which column holds the references';
    faults.push(lineFault(table.headingLine ?? 1, table.heading.join(',').slice(0, 80), why));
  }
  const said = unitSaid(table, columns);
  const unit: FileUnit = reading.unit ?? said ?? 'mm';
  return {
    heading: table.heading,
    columns,
    rows: columns.ref < 0 ? [] : rowsOf(table, columns, unit, reading),
    faults,
    unit,
    unitSaid: said !== null,
  };
}

const unitIn = (text: string): FileUnit | null => {
  const found = /\b(mils?|thou|mm|millimet\w+|in|inch(?:es)?)\b/i.exec(text.replace(/[_()[\]]/g, ' '))?.[1];
  if (!found) return null;
  if (/^(mil|mils|thou)$/i.test(found)) return 'mil';
  return /^mm|^milli/i.test(found) ? 'mm' : 'in';
};

/** By the heading of x, by a cell of it, or by a word of units above. */
function unitSaid(table: Table, columns: CentroidColumns): FileUnit | null {
  if (columns.x < 0) return null;
  const heading = unitIn((table.heading[columns.x] ?? '').replace(/(x|y)/gi, ' '));
  if (heading) return heading;
  const cell = table.rows.find((row) => /\d\s*[a-z]/i.test(row.cells[columns.x] ?? ''))?.cells[columns.x];
  const own = cell === undefined ? null : unitIn(cell.replace(/[\d.,+-]+/g, ' '));
  if (own) return own;
  const told = /units?\b[^\n]*/i.exec(table.preamble)?.[0];
  return told ? unitIn(told) : null;
}

function rowsOf(table: Table, columns: CentroidColumns, unit: FileUnit, reading: Reading): CentroidRow[] {
  const cell = (cells: readonly string[], at: number): string => (at < 0 ? '' : (cells[at] ?? ''));
  const marks = marksOf(table.rows.flatMap(({ cells }) => [cell(cells, columns.x), cell(cells, columns.y)]));
  const length = (text: string): number | null => {
    const value = numberIn(text, marks);
    if (value === null) return null;
    const own = reading.unit === null ? unitIn(text.replace(/[\d.,+-]+/g, ' ')) : null;
    return value * UNIT_m[own ?? unit];
  };
  return table.rows.flatMap(({ line, cells }) =>
    referencesIn(cell(cells, columns.ref)).map((ref) => {
      const [x_m, y_m] = [length(cell(cells, columns.x)), length(cell(cells, columns.y))];
      const at = x_m === null || y_m === null ? null : laid(reading, x_m, y_m);
      return {
        line,
        ref,
        value: cell(cells, columns.value),
        footprint: cell(cells, columns.footprint),
        side: sideIn(cell(cells, columns.side)),
        x_m: at ? at[0] : x_m,
        y_m: at ? at[1] : y_m,
        rotation_deg: numberIn(cell(cells, columns.rotation), marksOf([cell(cells, columns.rotation)])),
      };
    }),
  );
}

function sideIn(text: string): CentroidRow['side'] {
  if (/^(t$|top|front|f\.?cu|component|comp\b|1$|no?$)/i.test(text)) return 'top';
  return /^(b$|bot|bottom|back|b\.?cu|solder|2$|m$|mirror|y(es)?$)/i.test(text) ? 'bottom' : null;
}
