import { inOneGo } from '~/core/stepwise';
import { lineFault, type LineFault } from '~/formats/lineFault';
import { AS_WRITTEN, laid, type Reading } from '~/formats/reading';
import { columnsOfRecord } from './columns';

/** One test point of an IPC-D-356A file: where a net comes to a face of the board. */
export interface NetlistPoint {
  readonly line: number;
  readonly net: string;
  /** Empty on vias and points that belong to no part. */
  readonly ref: string;
  readonly pin: string;
  readonly via: boolean;
  readonly hole: { readonly diameter_m: number; readonly plated: boolean } | null;
  /** 0 both faces, 1 the component side, a higher number the layer that can be reached. */
  readonly access: number;
  readonly x_m: number;
  readonly y_m: number;
  /** Land along x and y before it is turned; 0 where the file does not say. */
  readonly width_m: number;
  readonly height_m: number;
  readonly rotation_deg: number;
}

export interface Netlist {
  readonly points: readonly NetlistPoint[];
  readonly faults: readonly LineFault[];
  /** The file's own title, where it has one. */
  readonly title: string;
  /** One count, and whether the file says it; null where what it says is no unit, and then nothing is read. */
  readonly unit: 'mm' | 'in' | null;
  readonly unitSaid: boolean;
}

/** Length of one count, m: `P  UNITS CUST 0` and `CUST 1`. IPC-D-356A §4.2, from memory. */
const COUNT_m = { in: 2.54e-6, mm: 1e-6 } as const;
const UNITS: Readonly<Record<string, 'mm' | 'in'>> = {
  'CUST 0': 'in',
  'CUST 1': 'mm',
  CUST: 'in',
  SI: 'mm',
};

/** Points of one file; a board of this trade has some tens of thousands. */
const MOST_POINTS = 500_000;
const MOST_FAULTS = 2000;
/** Lines between two words of progress. */
const AT_A_TIME = 5000;

/** First digit: a record or the continuation of the one before; the others: what stands there. */
const POINT = /^[30](17|27|67)/;

/** The whole file at once, as `readingNetlist` reads it. */
export const readNetlist = (text: string, reading: Reading = AS_WRITTEN): Netlist =>
  inOneGo(readingNetlist(text, reading));

/**
 * Reads an IPC-D-356A netlist (fixed columns, from memory: net 4–17, reference 21–26, pin 28–31, midpoint
 * 32, hole 33–38, access 39–41, place 42–57, land 58–67, turn 68–71). Lines that are not understood
 * are named and left out, and a file in no unit that is known is not read at all: its places would lie anywhere. Nothing throws.
 * Yields the share that is read.
 */
export function* readingNetlist(text: string, reading: Reading): Generator<number, Netlist> {
  const points: NetlistPoint[] = [];
  const faults: LineFault[] = [];
  const fault = (line: number, raw: string, why: string): void => {
    if (faults.length < MOST_FAULTS) faults.push(lineFault(line, raw, why));
  };
  const aliases = new Map<string, string>();
  const lines = text.split(/\r\n|\r|\n/);
  const told = lines.findIndex((line) => /^P\s+UNITS\b/.test(line));
  const said = told < 0 ? undefined : UNITS[lines[told]!.replace(/^P\s+UNITS\s*/, '').trim()];
  const unit =
    reading.unit === null ? (told < 0 ? 'in' : (said ?? null)) : reading.unit === 'mm' ? 'mm' : 'in';
  if (unit === null)
    fault(
      told + 1,
      lines[told]!,
      'names units that are not known, so nothing is read; say whether it counts ten-thousandths of an inch (CUST 0) or thousandths of a millimetre (CUST 1)',
    );
  let title = '';
  let ended = false;
  for (let index = 0; index < lines.length && !ended; index++) {
    if (index % AT_A_TIME === AT_A_TIME - 1) yield index / lines.length;
    const line = lines[index]!.trimEnd();
    const number = index + 1;
    if (line === '' || /^[Cc]/.test(line)) continue;
    if (line.startsWith('999')) {
      ended = true;
    } else if (line.startsWith('P')) {
      const [, key = '', value = ''] = /^P\s+(\S+)\s*(.*)$/.exec(line) ?? [];
      if (/^NNAME\d+$/.test(key)) aliases.set(key, value.trim());
      else if (key === 'TITLE') title = value.trim();
    } else if (POINT.test(line)) {
      if (unit === null) continue;
      const before = line.startsWith('0') ? points.at(-1) : undefined;
      if (line.startsWith('0') && !before) {
        fault(number, line, 'continues a record, but none stands before it');
        continue;
      }
      const point = readPoint(line, number, COUNT_m[unit], aliases, before, reading);
      if (typeof point === 'string') fault(number, line, point);
      else points.push(point);
      if (points.length >= MOST_POINTS) {
        fault(number, line, `more than ${MOST_POINTS.toLocaleString('en')} points; the rest is left out`);
        break;
      }
    } else if (!/^[34]\d\d|^0\d\d/.test(line)) {
      fault(number, line, 'is no record of IPC-D-356A');
    }
  }
  if (!ended && points.length > 0) {
    fault(lines.length, '', 'the file ends without its 999 record; part of it may be missing');
  }
  return { points, faults, title, unit, unitSaid: said !== undefined };
}

/** The point a line stands for, or why it is none. */
function readPoint(
  line: string,
  number: number,
  unit_m: number,
  aliases: ReadonlyMap<string, string>,
  before: NetlistPoint | undefined,
  reading: Reading,
): NetlistPoint | string {
  const columns = columnsOfRecord(line);
  if (columns === null) return 'has no place: X and Y are missing at columns 42 to 57';
  if (columns === 'askew')
    return 'has its place outside of columns 42 to 57 and the rest where it belongs; a field before it is too long or too short';
  const at = (from: number, to: number): string =>
    line.slice(from - 1 + columns.shift, to + columns.shift).trim();
  const net = at(4, 17);
  const ref = at(21, 26);
  const isVia = ref === 'VIA';
  const { place, rest } = columns;
  const size = /X(\d+)(?:Y(\d+))?/.exec(rest);
  const turn = /R(\d+)/.exec(rest);
  const holed = /D(\d{1,4})([PU]?)/.exec(at(33, 38));
  const access = /A(\d\d)/.exec(at(39, 41));
  const [x_m, y_m] = laid(reading, place[0] * unit_m, place[1] * unit_m);
  const width = size ? Number(size[1]) * unit_m : 0;
  return {
    line: number,
    net: net === '' && before ? before.net : net === 'N/C' ? '' : (aliases.get(net) ?? net),
    ref: isVia ? '' : ref === '' && before ? before.ref : ref,
    pin: isVia ? '' : at(28, 31) || (before?.pin ?? ''),
    via: isVia || (before?.via ?? false),
    hole: holed
      ? { diameter_m: Number(holed[1]) * unit_m, plated: holed[2] !== 'U' && line[1] !== '6' }
      : null,
    access: access ? Number(access[1]) : 0,
    x_m,
    y_m,
    width_m: width,
    // A round land gives its diameter alone.
    height_m: size?.[2] && Number(size[2]) > 0 ? Number(size[2]) * unit_m : width,
    rotation_deg: turn ? Number(turn[1]) : 0,
  };
}
