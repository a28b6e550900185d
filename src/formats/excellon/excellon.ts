import { inOneGo } from '~/core/stepwise';
import { lineFault, type LineFault } from '~/formats/lineFault';
import { AS_WRITTEN, laid, UNIT_m, unpointed, type Reading, type Spelt } from '~/formats/reading';
import { drillFormat } from './drillFormat';
import { chordsOf, type RouteWay } from './route';

/** One drilled hole, or a slot from one end to the other. */
export interface DrillHole {
  readonly x_m: number;
  readonly y_m: number;
  readonly diameter_m: number;
  readonly slotTo: { readonly x_m: number; readonly y_m: number } | null;
}

export interface Drilling {
  readonly holes: readonly DrillHole[];
  /** Whether the file says that its holes are plated; null where it does not. */
  readonly plated: boolean | null;
  readonly faults: readonly LineFault[];
  readonly spelt: Spelt;
}

/** A board of this trade has a few thousand; a file of more is wrong or hostile. */
const MOST_HOLES = 200_000;
/** Lines between two words of progress. */
const AT_A_TIME = 5000;

/** The whole file at once, as `readingExcellon` reads it. */
export const readExcellon = (text: string, reading: Reading = AS_WRITTEN): Drilling =>
  inOneGo(readingExcellon(text, reading));

/**
 * Reads an Excellon drill file: tools, hits, R repeats, G85 slots, routes between M15 and M16 (each straight piece a slot, arcs in
 * chords), absolute or incremental; coordinates with a decimal point or padded by leading (LZ) or trailing (TZ) zeros, 2.4 in inches
 * and 3.3 in millimetres unless the file says otherwise, and inches where it names no unit (from memory). What is not understood is
 * named by line and left out; nothing throws. Yields the share that is read.
 */
export function* readingExcellon(text: string, reading: Reading): Generator<number, Drilling> {
  const lines = text.split(/\r\n|\r|\n/).map((line) => line.trim().toUpperCase());
  const drill = new Drill(drillFormat(lines, reading), reading);
  for (const [index, line] of lines.entries()) {
    if (index % AT_A_TIME === AT_A_TIME - 1) yield index / lines.length;
    if (!drill.take(line, index + 1)) break;
  }
  return drill.read();
}

const PLACE = /^(?:X([+-]?\d*\.?\d+\.?))?(?:Y([+-]?\d*\.?\d+\.?))?(.*)$/;
const HEADER_WORDS =
  /^(M48|M95|M30|M00|M0?1\b|M08|M09|%|FMAT|DETECT|G90$|G93|ATC|VER|CCW|CW\b|T$|S\d|F\d|R,)/;

class Drill {
  private readonly holes: DrillHole[] = [];
  private readonly faults: LineFault[] = [];
  private readonly tools = new Map<number, number>();
  private tool: number | null = null;
  private at = { x_m: 0, y_m: 0 };
  private plated: boolean | null = null;
  private incremental = false;
  /** Between G00 and G05 a tool is a router; between M15 and M16 it cuts. */
  private routing = false;
  private down = false;
  private line = 0;
  private raw = '';

  constructor(
    private readonly spelt: Spelt & { readonly contradicts: boolean },
    private readonly reading: Reading,
  ) {
    if (spelt.contradicts)
      this.faults.push(
        lineFault(
          1,
          '',
          `names inches and millimetres both; read as ${spelt.unit === 'mm' ? 'millimetres' : 'inches'}, its last word`,
        ),
      );
    else if (!spelt.unitSaid && reading.unit === null)
      this.faults.push(lineFault(1, '', 'names no unit (METRIC, INCH, M71 or M72); inches are assumed'));
  }

  read(): Drilling {
    return { holes: this.holes, plated: this.plated, faults: this.faults, spelt: this.spelt };
  }

  /** One line, trimmed and in capitals; false where the rest is not to be read. */
  take(line: string, number: number): boolean {
    [this.line, this.raw] = [number, line];
    if (line === '') return true;
    if (line.startsWith(';')) this.comment(line);
    else if (!this.header(line)) this.body(line);
    if (this.holes.length < MOST_HOLES) return true;
    this.fault(`more than ${MOST_HOLES.toLocaleString('en')} holes; the rest is left out`);
    return false;
  }

  private fault(why: string): void {
    this.faults.push(lineFault(this.line, this.raw, why));
  }

  private comment(line: string): void {
    if (/TYPE\s*=\s*PLATED|,PTH\b|[^N]PLATED,/.test(line)) this.plated = true;
    if (/TYPE\s*=\s*NON_PLATED|NONPLATED|NPTH/.test(line)) this.plated = false;
  }

  /** Units, tools and words that drill nothing; true where the line was one of them. */
  private header(line: string): boolean {
    if (/^(METRIC|INCH|M71|M72)/.test(line)) return true;
    if (/^(G91|ICI,?ON)/.test(line)) this.incremental = true;
    if (/^(G90|ICI,?OFF)/.test(line)) this.incremental = false;
    if (/^(G91|G90|ICI)/.test(line) && !/[XY]/.test(line)) return true;
    const tool = /^T(\d+)(.*)$/.exec(line);
    if (tool) {
      const [, code, rest] = tool as unknown as [string, string, string];
      const size = /C(\d*\.?\d+)/.exec(rest);
      if (size) {
        // A size is written with its point, or padded as places are.
        const own = size[1]!.includes('.') ? Number(size[1]) : unpointed(size[1]!, this.spelt);
        this.tools.set(Number(code), own * UNIT_m[this.spelt.unit]);
        return true;
      }
      this.tool = Number(code);
      if (this.tool !== 0 && !this.tools.has(this.tool)) this.fault(`tool T${code} has no diameter`);
      if (/[XY]/.test(rest)) this.body(rest.replace(/^[^XY]*/, ''));
      return true;
    }
    return HEADER_WORDS.test(line);
  }

  private body(line: string): void {
    if (/^(G00|G0(?=[XY])|M14)/.test(line)) {
      this.routing = true;
      this.down = false;
      this.move(line.replace(/^(G0+|M14)/, ''));
    } else if (/^M15/.test(line)) this.down = true;
    else if (/^(M16|M17)/.test(line)) this.down = false;
    else if (/^G0?5/.test(line)) {
      [this.routing, this.down] = [false, false];
      if (/[XY]/.test(line)) this.hit(line.replace(/^G0?5/, ''));
    } else if (/^G0?[123](?!\d)/.test(line)) {
      if (this.routing)
        this.cut(
          line.replace(/^G0?[123]/, ''),
          (['line', 'clockwise', 'counter'] as const)[Number(/[123]/.exec(line)![0]) - 1]!,
        );
      else if (/[XY]/.test(line)) this.hit(line.replace(/^G0?[123]/, ''));
    } else if (/^G(4[012]|7[0-9]|9[0-9])/.test(line)) {
      if (/[XY]/.test(line)) this.body(line.replace(/^G\d+/, ''));
    } else if (this.routing) {
      if (!/^[XY]/.test(line)) this.fault('is no drill command');
      else if (this.down) this.cut(line, 'line');
      else this.move(line);
    } else if (/^R\d/.test(line)) this.repeat(line);
    else this.hit(line);
  }

  private length(raw: string): number {
    const value = raw.includes('.') ? Number(raw) : unpointed(raw, this.spelt);
    return value * UNIT_m[this.spelt.unit];
  }

  /** Where a line leads from here, and what stands behind its place; null where it names none. */
  private placed(line: string): { readonly x_m: number; readonly y_m: number; readonly rest: string } | null {
    const found = PLACE.exec(line);
    if (!found || (found[1] === undefined && found[2] === undefined)) return null;
    const on = (raw: string | undefined, from_m: number): number =>
      raw === undefined ? from_m : (this.incremental ? from_m : 0) + this.length(raw);
    return { x_m: on(found[1], this.at.x_m), y_m: on(found[2], this.at.y_m), rest: found[3] ?? '' };
  }

  private move(line: string): void {
    const to = this.placed(line);
    if (to) this.at = { x_m: to.x_m, y_m: to.y_m };
  }

  private diameter(): number | null {
    const diameter_m = this.tool === null ? undefined : this.tools.get(this.tool);
    if (diameter_m === undefined) this.fault('drills before a tool is chosen');
    return diameter_m ?? null;
  }

  private add(diameter_m: number, from: DrillHole['slotTo'] & object, to: DrillHole['slotTo']): void {
    const [x_m, y_m] = laid(this.reading, from.x_m, from.y_m);
    const end = to && laid(this.reading, to.x_m, to.y_m);
    this.holes.push({ x_m, y_m, diameter_m, slotTo: end && { x_m: end[0], y_m: end[1] } });
  }

  private hit(line: string): void {
    const [first, second] = line.split('G85') as [string, string | undefined];
    const to = this.placed(first);
    if (!to || (to.rest !== '' && !/^[ZFSN]/.test(to.rest))) return this.fault('is no drill command');
    const diameter_m = this.diameter();
    if (diameter_m === null) return;
    this.at = { x_m: to.x_m, y_m: to.y_m };
    const end = second === undefined ? null : this.placed(second);
    if (second !== undefined && !end) this.fault('slot has no end');
    this.add(diameter_m, to, end);
    if (end) this.at = { x_m: end.x_m, y_m: end.y_m };
  }

  private repeat(line: string): void {
    const [, times, where] = /^R(\d+)(.*)$/.exec(line) as unknown as [string, string, string];
    const step = PLACE.exec(where);
    if (!step || step[3] !== '' || where === '') return this.fault('is no drill command');
    const diameter_m = this.diameter();
    if (diameter_m === null) return;
    const [dx, dy] = [step[1], step[2]].map((raw) => (raw === undefined ? 0 : this.length(raw))) as [
      number,
      number,
    ];
    const room = MOST_HOLES - this.holes.length;
    for (let n = 0; n < Math.min(room, Number(times)); n++) {
      this.at = { x_m: this.at.x_m + dx, y_m: this.at.y_m + dy };
      this.add(diameter_m, this.at, null);
    }
  }

  /** A router's way with its tool down; with it up the way alone is gone. */
  private cut(line: string, way: RouteWay): void {
    const to = this.placed(line);
    if (!to) return line === '' ? undefined : this.fault('is no drill command');
    const from = this.at;
    this.at = { x_m: to.x_m, y_m: to.y_m };
    if (!this.down) return;
    const diameter_m = this.diameter();
    if (diameter_m === null) return;
    const given = (letter: string): number | null => {
      const found = new RegExp(`${letter}([+-]?\\d*\\.?\\d+\\.?)`).exec(to.rest);
      return found ? this.length(found[1]!) : null;
    };
    let start = from;
    for (const end of chordsOf(from, this.at, way, {
      radius_m: given('A'),
      i_m: given('I'),
      j_m: given('J'),
    })) {
      this.add(diameter_m, start, end);
      start = end;
    }
  }
}
