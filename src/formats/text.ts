/** A file's text, and what had to be done for it to be one; null where nothing. */
export interface Decoded {
  readonly text: string;
  readonly note: string | null;
}

/** So much is looked at to tell how a file is written. */
const LOOKED_AT_bytes = 4096;

/** Bytes as text: UTF-8, UTF-16 of either order with or without its mark, else Latin-1 (as Windows has it). NULs are left out. */
export function decoded(bytes: Uint8Array): Decoded {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return { text: new TextDecoder('utf-16le').decode(bytes), note: null };
  if (a === 0xfe && b === 0xff) return { text: new TextDecoder('utf-16be').decode(bytes), note: null };
  const wide = wideOrder(bytes);
  if (wide) return { text: new TextDecoder(wide).decode(bytes), note: null };
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    text = new TextDecoder('windows-1252').decode(bytes);
  }
  if (!text.includes('\0')) return { text, note: null };
  return {
    text: text.replaceAll('\0', ''),
    note: 'holds NUL characters, which are left out; it may have been damaged on its way',
  };
}

/** UTF-16 without a mark shows by the zero beside nearly every Latin letter. */
function wideOrder(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const head = bytes.subarray(0, LOOKED_AT_bytes);
  if (head.length < 4) return null;
  const zeros = [0, 0];
  head.forEach((byte, i) => {
    if (byte === 0) zeros[i % 2]!++;
  });
  const most = 0.4 * head.length;
  if (zeros[1]! > most) return 'utf-16le';
  return zeros[0]! > most ? 'utf-16be' : null;
}
