import { lineFault, type LineFault } from '~/formats/lineFault';

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
}

/**
 * Reads an Excellon drill file: tools, hits, R repeats, G85 slots; coordinates with a decimal point or padded
 * by leading (LZ) or trailing (TZ) zeros, 2.4 in inches and 3.3 in millimetres unless the file says otherwise
 * (from memory). What is not understood is named by line and left out; nothing throws.
 */
export function readExcellon(text: string): Drilling {
  const holes: DrillHole[] = [];
  const faults: LineFault[] = [];
  const tools = new Map<number, number>();
  let unit_m = 25.4e-3;
  let whole = 2;
  let decimals = 4;
  // LZ keeps leading zeros, so what is missing is missing at the end.
  let padRight = false;
  let tool: number | null = null;
  let at = { x_m: 0, y_m: 0 };
  let plated: boolean | null = null;
  let routing = false;

  const length = (raw: string): number => {
    if (raw.includes('.')) return Number(raw) * unit_m;
    const sign = raw.startsWith('-') ? -1 : 1;
    const bare = raw.replace(/^[+-]/, '');
    const digits = padRight ? bare.padEnd(whole + decimals, '0') : bare;
    return ((sign * Number(digits)) / 10 ** decimals) * unit_m;
  };
  const placed = (line: string): { x_m: number; y_m: number } | null => {
    const found = /^(?:X([+-]?[\d.]+))?(?:Y([+-]?[\d.]+))?$/.exec(line);
    if (!found || (found[1] === undefined && found[2] === undefined)) return null;
    return {
      x_m: found[1] === undefined ? at.x_m : length(found[1]),
      y_m: found[2] === undefined ? at.y_m : length(found[2]),
    };
  };

  text.split(/\r\n|\r|\n/).forEach((raw, index) => {
    const line = raw.trim().toUpperCase();
    const fault = (why: string): void => void faults.push(lineFault(index + 1, raw, why));
    if (line === '') return;
    if (line.startsWith(';')) {
      if (/TYPE\s*=\s*PLATED|,PTH\b|[^N]PLATED,/.test(line)) plated = true;
      if (/TYPE\s*=\s*NON_PLATED|NONPLATED|NPTH/.test(line)) plated = false;
      const format = /FILE_FORMAT\s*=\s*(\d):(\d)/.exec(line);
      if (format) [whole, decimals] = [Number(format[1]), Number(format[2])];
      return;
    }
    const units = /^(METRIC|INCH|M71|M72)(.*)$/.exec(line);
    if (units) {
      const metric = units[1] === 'METRIC' || units[1] === 'M71';
      unit_m = metric ? 1e-3 : 25.4e-3;
      [whole, decimals] = metric ? [3, 3] : [2, 4];
      if (units[2]!.includes('LZ')) padRight = true;
      if (units[2]!.includes('TZ')) padRight = false;
      const format = /(0+)\.(0+)/.exec(units[2]!);
      if (format) [whole, decimals] = [format[1]!.length, format[2]!.length];
      return;
    }
    const defined = /^T(\d+)(?:[FSBHZ][\d.]+)*C([\d.]+)/.exec(line);
    if (defined) {
      tools.set(Number(defined[1]), Number(defined[2]) * unit_m);
      return;
    }
    const chosen = /^T(\d+)$/.exec(line);
    if (chosen) {
      tool = Number(chosen[1]);
      if (tool !== 0 && !tools.has(tool)) fault(`tool T${tool} has no diameter`);
      return;
    }
    if (/^(G00|M15)/.test(line)) {
      routing = true;
      at = placed(line.replace(/^(G00|M15)/, '')) ?? at;
      return;
    }
    if (/^(G05|M16|M17|G01|G40)/.test(line)) {
      if (line.startsWith('G05')) routing = false;
      return;
    }
    if (/^(M48|M95|M30|M00|%|FMAT|ICI|DETECT|G90|G93|ATC|VER|T$)/.test(line)) return;
    if (line === 'G91') {
      fault('incremental coordinates are not read; save the file with absolute ones');
      return;
    }
    if (routing) return;
    const diameter_m = tool === null ? undefined : tools.get(tool);
    const repeated = /^R(\d+)(.*)$/.exec(line);
    const slot = line.split('G85');
    const to = placed(repeated ? repeated[2]! : slot[0]!);
    if (!to) {
      fault('is no drill command');
      return;
    }
    if (diameter_m === undefined) {
      fault('drills before a tool is chosen');
      return;
    }
    if (repeated) {
      const step = repeatStep(repeated[2]!, length);
      for (let n = 0; n < Math.min(10_000, Number(repeated[1])); n++) {
        at = { x_m: at.x_m + step.x_m, y_m: at.y_m + step.y_m };
        holes.push({ ...at, diameter_m, slotTo: null });
      }
      return;
    }
    at = to;
    const end = slot.length > 1 ? placed(slot[1]!) : null;
    if (slot.length > 1 && !end) fault('slot has no end');
    holes.push({ ...to, diameter_m, slotTo: end });
    if (end) at = end;
  });
  return { holes, plated, faults };
}

/** A repeat's step: what is left out is no step at all. */
function repeatStep(text: string, length: (raw: string) => number): { x_m: number; y_m: number } {
  const found = /^(?:X([+-]?[\d.]+))?(?:Y([+-]?[\d.]+))?$/.exec(text);
  return {
    x_m: found?.[1] === undefined ? 0 : length(found[1]),
    y_m: found?.[2] === undefined ? 0 : length(found[2]),
  };
}
