import type { FileKind } from './collected';

/** So much of a file tells its kind. */
const HEAD = 6000;

/** What a file is, by what stands in it; its name tells nothing. */
export function kindOf(text: string): Exclude<FileKind, 'archive'> {
  const head = text.slice(0, HEAD);
  if (/<IPC-2581\b/.test(head)) return 'exchange';
  if (/%FS|%MO(MM|IN)|%AD|^G0?4[ *]|^G54D\d|D0[123]\*/m.test(head)) return 'artwork';
  if (isDrill(head)) return 'drill';
  if (/^(P  |[30](17|27|67)\S)/m.test(head)) return 'netlist';
  // Printable lines that split into cells; a picture's bytes do not.
  if (/[\p{Cc}\ufffd]/u.test(head.replace(/[\t\r\n\f\u001a]/g, ''))) return 'unknown';
  const lines = head.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '');
  const apart = lines.filter((line) => line.trim().split(/\s+/).length >= 3).length;
  return lines.some((line) => /[,;\t|]/.test(line)) || apart >= 2 ? 'table' : 'unknown';
}

/** With its header, or without one: tools with their sizes, or hits and nothing else. */
function isDrill(head: string): boolean {
  if (/^\s*M48/m.test(head)) return true;
  if (/^T\d+(?:[FSBHZ][\d.]+)*C\d*\.?\d+/m.test(head) && /^(T\d+)?[XY][+-]?\d/m.test(head)) return true;
  return (
    /^(%|M7[12]|G90|G05|INCH|METRIC)/m.test(head) &&
    /^T\d+\s*$/m.test(head) &&
    /^X[+-]?[\d.]+Y[+-]?[\d.]+\s*$/m.test(head)
  );
}
