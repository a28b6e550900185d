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

/** Which column holds what; −1 where none does. */
export interface CentroidColumns {
  readonly ref: number;
  readonly value: number;
  readonly footprint: number;
  readonly side: number;
  readonly x: number;
  readonly y: number;
  readonly rotation: number;
}

const HEADINGS: Readonly<Record<keyof CentroidColumns, RegExp>> = {
  ref: /^(ref|ref ?des|designator|reference|references?|part ?ref)s?$/i,
  value: /^(val|value|comment|part|description|part ?number)$/i,
  footprint: /^(package|footprint|pattern|case|outline)$/i,
  side: /^(side|layer|tb|face)$/i,
  x: /^(x|pos ?x|mid ?x|center-?x|ref-?x|x ?pos|x coord)/i,
  y: /^(y|pos ?y|mid ?y|center-?y|ref-?y|y ?pos|y coord)/i,
  rotation: /^(rot|rotation|angle|theta|orientation)/i,
};

/** Columns by their headings, as lists commonly name them (common practice). */
export function columnsOf(heading: readonly string[]): CentroidColumns {
  const clean = heading.map((cell) => cell.trim().replace(/[_"]/g, ' '));
  const find = (key: keyof CentroidColumns): number => clean.findIndex((cell) => HEADINGS[key].test(cell));
  return {
    ref: find('ref'),
    value: find('value'),
    footprint: find('footprint'),
    side: find('side'),
    x: find('x'),
    y: find('y'),
    rotation: find('rotation'),
  };
}

/** Length of one unit by a heading such as `PosX(mm)` or `Mid X (mil)`; millimetres where it is silent. */
function unitOf(heading: string): number {
  if (/mil/i.test(heading)) return 25.4e-6;
  return /\bin(ch)?\b/i.test(heading) ? 25.4e-3 : 1e-3;
}

/** Rows of a table whose first row is its heading; references that share a row ("C1, C2") are parted. */
export function readCentroid(table: readonly (readonly string[])[], columns: CentroidColumns): CentroidRow[] {
  const heading = table[0] ?? [];
  const cell = (row: readonly string[], at: number): string => (at < 0 ? '' : (row[at] ?? '').trim());
  const length = (row: readonly string[], at: number): number | null => {
    const value = numberIn(cell(row, at));
    if (value === null) return null;
    const own = /mil|mm|in\b/i.exec(cell(row, at));
    return value * unitOf(own ? own[0] : (heading[at] ?? ''));
  };
  return table.slice(1).flatMap((row, i) =>
    cell(row, columns.ref)
      .split(/[,;\s]+/)
      .filter((ref) => /^[A-Za-z][\w.+-]*$/.test(ref))
      .map((ref) => ({
        line: i + 2,
        ref,
        value: cell(row, columns.value),
        footprint: cell(row, columns.footprint),
        side: sideIn(cell(row, columns.side)),
        x_m: length(row, columns.x),
        y_m: length(row, columns.y),
        rotation_deg: numberIn(cell(row, columns.rotation)),
      })),
  );
}

/** A number as people write it: decimal comma or point, thousands not at all, a unit after it. */
function numberIn(text: string): number | null {
  const found = /^[+-]?\d*[.,]?\d+(?:e[+-]?\d+)?/i.exec(text.replace(/\s+/g, ''));
  if (!found) return null;
  const value = Number(found[0].replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}

function sideIn(text: string): CentroidRow['side'] {
  if (/^(t|top|front|f\.?cu|component)/i.test(text)) return 'top';
  return /^(b|bot|bottom|back|b\.?cu|solder)/i.test(text) ? 'bottom' : null;
}
