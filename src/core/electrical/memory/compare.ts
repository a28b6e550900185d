/** Bytes from one address up to, and not with, another. */
export interface ByteRange {
  readonly from: number;
  readonly to: number;
}

/** What an erased cell reads. */
export const BLANK = 0xff;

/** Differences closer than this are one place: a field is changed as a whole. */
const JOINED_bytes = 8;

/** Where two contents differ; what one has beyond the other's end differs. Ranges close to each other are one. */
export function differing(one: Uint8Array, other: Uint8Array): ByteRange[] {
  const [shorter, longer] = [Math.min(one.length, other.length), Math.max(one.length, other.length)];
  const ranges: { from: number; to: number }[] = [];
  const add = (from: number, to: number): void => {
    const last = ranges.at(-1);
    if (last && from - last.to < JOINED_bytes) last.to = to;
    else ranges.push({ from, to });
  };
  for (let at = 0; at < shorter; at++) if (one[at] !== other[at]) add(at, at + 1);
  if (longer > shorter) add(shorter, longer);
  return ranges;
}

/** Bytes that differ, one by one. */
export function countDiffering(one: Uint8Array, other: Uint8Array): number {
  const shorter = Math.min(one.length, other.length);
  let count = Math.max(one.length, other.length) - shorter;
  for (let at = 0; at < shorter; at++) if (one[at] !== other[at]) count++;
  return count;
}

/** One stretch of a map of contents. */
export type MapCell = 'blank' | 'same' | 'differs';

/** A picture of two contents in so many stretches of one length: any byte that differs makes its stretch differ. */
export function mapOf(
  one: Uint8Array,
  other: Uint8Array,
  most: number,
): { readonly cell_bytes: number; readonly cells: readonly MapCell[] } {
  const size = Math.max(one.length, other.length);
  const cell_bytes = Math.max(1, 2 ** Math.ceil(Math.log2(Math.max(1, size / most))));
  const cells = Array.from({ length: Math.ceil(size / cell_bytes) }, (_, i): MapCell => {
    const [a, b] = [one, other].map((bytes) => bytes.subarray(i * cell_bytes, (i + 1) * cell_bytes)) as [
      Uint8Array,
      Uint8Array,
    ];
    if (countDiffering(a, b) > 0) return 'differs';
    return a.every((byte) => byte === BLANK) ? 'blank' : 'same';
  });
  return { cell_bytes, cells };
}

/** What two reads of one part come to. */
export interface ReadTwice {
  readonly verdict: 'alike' | 'differ' | 'nothing-there';
  readonly differing_bytes: number;
  readonly says: string;
}

/**
 * Judges two reads of one part, taken out of its socket and put back in between. Common practice: only two reads that are
 * alike to the last byte are contents; all ones or all zeros are no contents but a contact, or an erased part.
 */
export function judgeReads(first: Uint8Array, second: Uint8Array): ReadTwice {
  const differing_bytes = countDiffering(first, second);
  if (differing_bytes > 0) {
    const bits = bitsThatDiffer(first, second);
    return {
      verdict: 'differ',
      differing_bytes,
      says:
        bits.length === 1
          ? `${differing_bytes} bytes differ, all in bit ${bits[0]}: a bad contact at one data pin; clean it and read again`
          : `${differing_bytes} bytes differ: clean and seat the part, and read again; the same bytes each time are worn cells`,
    };
  }
  const flat = [0, BLANK].find((value) => first.every((byte) => byte === value));
  if (flat !== undefined)
    return {
      verdict: 'nothing-there',
      differing_bytes: 0,
      says: `every byte reads ${flat.toString(16).padStart(2, '0').toUpperCase()}: an erased part, or one that has no contact; not kept as contents`,
    };
  return { verdict: 'alike', differing_bytes: 0, says: 'both reads are alike to the last byte' };
}

const bitsThatDiffer = (one: Uint8Array, other: Uint8Array): number[] => {
  let bits = 0;
  for (let at = 0; at < Math.min(one.length, other.length); at++) bits |= one[at]! ^ other[at]!;
  return [0, 1, 2, 3, 4, 5, 6, 7].filter((bit) => bits & (1 << bit));
};
