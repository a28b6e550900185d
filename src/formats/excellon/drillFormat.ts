import type { FileUnit, Reading, Spelt } from '~/formats/reading';

/** Usual digits where a file says none: 2.4 in inches, 3.3 in millimetres (from memory). */
const USUAL_DIGITS: Readonly<Record<FileUnit, readonly [number, number]>> = {
  in: [2, 4],
  mm: [3, 3],
  mil: [4, 1],
};

/**
 * How a drill file's numbers are to be read, from all of its lines: a comment, the units line and a later M71 or M72 may each say
 * a part of it, in any order, and tools may stand before any of them.
 */
export function drillFormat(
  lines: readonly string[],
  reading: Reading,
): Spelt & { readonly contradicts: boolean } {
  let unit: FileUnit | null = null;
  let contradicts = false;
  let digits: readonly [number, number] | null = null;
  let zeros: Spelt['zeros'] | null = null;
  let pointless = false;
  for (const line of lines) {
    if (line.startsWith(';')) {
      const told = /FILE_FORMAT\s*=\s*(\d):(\d)/.exec(line) ?? /FORMAT\s*[={: ]\s*(\d)[.:](\d)\b/.exec(line);
      if (told) digits = [Number(told[1]), Number(told[2])];
      if (/SUPPRESS\s+LEAD|KEEP\s+TRAIL/.test(line)) zeros ??= 'trailing';
      if (/SUPPRESS\s+TRAIL|KEEP\s+LEAD/.test(line)) zeros ??= 'leading';
      continue;
    }
    const said = /^(METRIC|INCH|M71|M72)(.*)$/.exec(line);
    if (said) {
      const its: FileUnit = said[1] === 'METRIC' || said[1] === 'M71' ? 'mm' : 'in';
      contradicts ||= unit !== null && unit !== its;
      unit = its;
      if (said[2]!.includes('LZ')) zeros = 'leading';
      if (said[2]!.includes('TZ')) zeros = 'trailing';
      const told = /(0+)\.(0+)/.exec(said[2]!);
      if (told) digits = [told[1]!.length, told[2]!.length];
      continue;
    }
    if (!pointless && /[XY][+-]?\d+(?![\d.])/.test(line)) pointless = true;
  }
  const taken = reading.unit ?? unit ?? 'in';
  return {
    unit: taken,
    unitSaid: unit !== null,
    digits: reading.digits ?? digits ?? USUAL_DIGITS[taken],
    digitsSaid: digits !== null,
    zeros: reading.zeros ?? zeros ?? 'trailing',
    zerosSaid: zeros !== null,
    pointless,
    contradicts,
  };
}
