import Papa from 'papaparse';
import type { ThermalProfile } from '~/schema/values/thermalProfile';
import { InputError } from '~/schema/values/faults';

/** Column of the time since the first row, s. */
const TIME = 'elapsed_s';
/** Headings that loggers give that column (common practice). */
const TIMES = /^(elapsed_s|elapsed|time|time_s|t|seconds|s)( ?\[?\(?s(ec)?\)?\]?)?$/i;
const SEPARATORS = [',', ';', '\t', '|'];
/** More faults than this are of one kind. */
const MOST_TOLD = 20;

/** A log as CSV (RFC 4180): `elapsed_s`, then a column for each channel in °C, empty where it had no reading. */
export function writeCsv({ channels, elapsed_s, values }: ThermalProfile): string {
  const rows = elapsed_s.map((t, i) => [t, ...channels.map(({ id }) => values[id]![i] ?? '')]);
  return `${Papa.unparse({ fields: [TIME, ...channels.map((c) => c.id)], data: rows }, { newline: '\r\n' })}\r\n`;
}

/** What says of that CSV what its columns are: CSV on the Web (W3C Recommendation, 2015), as the sidecar beside it. */
export function csvwOf({ title, channels }: ThermalProfile, url: string): object {
  return {
    '@context': 'http://www.w3.org/ns/csvw',
    url,
    ...(title ? { 'dc:title': title } : {}),
    dialect: { header: true, delimiter: ',', lineTerminators: ['\r\n'] },
    tableSchema: {
      columns: [
        {
          name: TIME,
          titles: TIME,
          datatype: { base: 'decimal', minimum: 0 },
          required: true,
          'dc:description': 'seconds since the first row',
        },
        ...channels.map(({ id, name }) => ({
          name: id,
          titles: id,
          datatype: 'decimal',
          null: '',
          'dc:description': `${name}, degrees Celsius`,
        })),
      ],
      primaryKey: TIME,
    },
  };
}

/**
 * Reads a table of temperatures: a heading, a column of times, columns of °C. Commas, semicolons, tabs; decimal commas where
 * the table is not parted by them; what is no number (OL, open, -) is a gap. Throws `InputError` with line and column.
 */
export function readCsv(text: string, title = ''): ThermalProfile {
  const separator = SEPARATORS.reduce((best, s) => (countOf(text, s) > countOf(text, best) ? s : best), ',');
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    delimiter: separator,
    skipEmptyLines: 'greedy',
  });
  const broken = errors.filter((e) => e.code !== 'UndetectableDelimiter');
  if (broken.length > 0)
    throw new InputError(
      broken.slice(0, MOST_TOLD).map(({ row, message }) => ({ path: `line ${(row ?? 0) + 1}`, message })),
    );
  const [heading, ...rows] = data;
  const at = heading?.findIndex((cell) => TIMES.test(cell.trim())) ?? -1;
  if (!heading || at < 0)
    throw new InputError([
      {
        path: 'line 1',
        message: `has no column of times; name it ${TIME}, and the others after their channels`,
      },
    ]);
  const columns = heading
    .map((cell, i) => ({ i, name: cell.trim() }))
    .filter(({ i, name }) => i !== at && name);
  if (columns.length === 0)
    throw new InputError([
      { path: 'line 1', message: 'has no column beside the times; give one for each channel' },
    ]);
  if (columns.length > 16)
    throw new InputError([{ path: 'line 1', message: `has ${columns.length} channels; give 16 at most` }]);
  const number = (cell: string | undefined): number => {
    const clean = (cell ?? '').trim();
    return clean === '' ? NaN : Number(separator === ',' ? clean : clean.replace(',', '.'));
  };
  const times = rows.map((row) => number(row[at]));
  const bad = times.flatMap((t, i) => (Number.isFinite(t) && (i === 0 || t > times[i - 1]!) ? [] : [i]));
  if (bad.length > 0)
    throw new InputError(
      bad.slice(0, MOST_TOLD).map((i) => ({
        path: `line ${i + 2}`,
        message: Number.isFinite(times[i]!)
          ? `is at ${times[i]} s, no later than the line before; give times that rise`
          : `has no time in "${heading[at]!.trim()}"; give seconds`,
      })),
    );
  const ids = idsOf(columns.map(({ name }) => name));
  const began_s = times[0] ?? 0;
  return {
    format: 'thermal-profile',
    version: 1,
    title,
    began_ms: null,
    channels: columns.map(({ name }, c) => ({ id: ids[c]!, name: name.slice(0, 60), unit: 'degC' })),
    elapsed_s: times.map((t) => Math.round((t - began_s) * 1e4) / 1e4),
    values: Object.fromEntries(
      columns.map(({ i }, c) => [
        ids[c]!,
        rows.map((row) => {
          const value = number(row[i]);
          return Number.isFinite(value) ? value : null;
        }),
      ]),
    ),
    marks: [],
  };
}

const countOf = (text: string, sign: string): number => text.slice(0, 2000).split(sign).length;

/** Names that a record takes, each once. */
function idsOf(names: readonly string[]): string[] {
  const seen = new Set<string>();
  return names.map((name, i) => {
    const plain =
      name
        .replace(/[^A-Za-z0-9_-]+/g, '_')
        .replace(/^_+|_+$/g, '')
        .slice(0, 28) || `tc${i + 1}`;
    const id = seen.has(plain) ? `${plain}_${i + 1}` : plain;
    seen.add(id);
    return id;
  });
}
