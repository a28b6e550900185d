import { lineFault, type LineFault } from '~/formats/lineFault';

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
}

/** Length of one count by `P  UNITS CUST n`, m. IPC-D-356A §4.2, from memory. */
const UNITS_m: Readonly<Record<string, number>> = { 'CUST 0': 2.54e-6, 'CUST 1': 1e-6, CUST: 2.54e-6 };

/** First digit: a record or the continuation of the one before; the others: what stands there. */
const POINT = /^[30](17|27|67)/;

/**
 * Reads an IPC-D-356A netlist (fixed columns, from memory: net 4–17, reference 21–26, pin 28–31, midpoint
 * 32, hole 33–38, access 39–41, place 42–57, land 58–67, turn 68–71). Lines that are not understood
 * are named and left out; nothing throws.
 */
export function readNetlist(text: string): Netlist {
  const points: NetlistPoint[] = [];
  const faults: LineFault[] = [];
  const aliases = new Map<string, string>();
  let unit_m = UNITS_m['CUST 0']!;
  let title = '';
  let ended = false;

  const lines = text.split(/\r\n|\r|\n/);
  for (let index = 0; index < lines.length && !ended; index++) {
    const line = lines[index]!.trimEnd();
    const number = index + 1;
    if (line === '' || /^[Cc]/.test(line)) continue;
    if (line.startsWith('999')) {
      ended = true;
    } else if (line.startsWith('P')) {
      const [, key = '', value = ''] = /^P\s+(\S+)\s*(.*)$/.exec(line) ?? [];
      if (key === 'UNITS') {
        const known = UNITS_m[value.trim()];
        if (known === undefined)
          faults.push(lineFault(number, line, 'units are CUST 0 (0.0001 in) or CUST 1 (0.001 mm)'));
        else unit_m = known;
      } else if (/^NNAME\d+$/.test(key)) aliases.set(key, value.trim());
      else if (key === 'TITLE') title = value.trim();
    } else if (POINT.test(line)) {
      const before = line.startsWith('0') ? points.at(-1) : undefined;
      if (line.startsWith('0') && !before) {
        faults.push(lineFault(number, line, 'continues a record, but none stands before it'));
        continue;
      }
      const point = readPoint(line, number, unit_m, aliases, before);
      if (typeof point === 'string') faults.push(lineFault(number, line, point));
      else points.push(point);
    } else if (!/^[34]\d\d|^0\d\d/.test(line)) {
      faults.push(lineFault(number, line, 'is no record of IPC-D-356A'));
    }
  }
  if (!ended && points.length > 0) {
    faults.push(
      lineFault(lines.length, '', 'the file ends without its 999 record; part of it may be missing'),
    );
  }
  return { points, faults, title };
}

/** The point a line stands for, or why it is none. */
function readPoint(
  line: string,
  number: number,
  unit_m: number,
  aliases: ReadonlyMap<string, string>,
  before: NetlistPoint | undefined,
): NetlistPoint | string {
  const at = (from: number, to: number): string => line.slice(from - 1, to).trim();
  const net = at(4, 17);
  const ref = at(21, 26);
  const isVia = ref === 'VIA';
  const place = /X([+-]?\d+)Y([+-]?\d+)/.exec(line.slice(41));
  if (!place) return 'has no place: X and Y are missing at columns 42 to 57';
  const rest = line.slice(41 + place.index + place[0].length);
  const size = /X(\d+)(?:Y(\d+))?/.exec(rest);
  const turn = /R(\d+)/.exec(rest);
  const holed = /D(\d{1,4})([PU]?)/.exec(line.slice(32, 38));
  const access = /A(\d\d)/.exec(line.slice(38, 41));
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
    x_m: Number(place[1]) * unit_m,
    y_m: Number(place[2]) * unit_m,
    width_m: width,
    // A round land gives its diameter alone.
    height_m: size?.[2] && Number(size[2]) > 0 ? Number(size[2]) * unit_m : width,
    rotation_deg: turn ? Number(turn[1]) : 0,
  };
}
